import { verdictWords } from '../../parts/words.js'
import { useMemo, useState } from 'react'
import {
  type Lookup,
  contextsInWords,
  fullName,
  lookUp,
  modifierName,
  readTrigger,
  triggerKey,
  triggerName,
  typedInWords,
  type Trigger,
} from '@reach-plot/core'
import { WhatHappened } from './what-happened.js'
import { ListenButton, useKeyFind } from '../../parts/key-find.js'
import { ModifierSign } from '../../parts/modifier-sign.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { ContextSelect } from '../../parts/context-select.js'
import { ProgramSelect } from '../../parts/program-select.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { problemInWords } from '../../store/problem.js'
import { heldSetsOf, useDerived } from '../../store/selectors.js'
import { useShortcuts } from '../../parts/shortcuts/use-shortcuts.js'
import { offeredModifiers, toggle } from '../../parts/held-sets.js'
import { useModifierSetList, type ModifierSetListView, shows, type Show } from './use-modifier-set-list.js'

/** The other way round: what a key does everywhere; and what is bound, kept or free under a set of modifiers. */
export function LookupView() {
  const { env } = useDerived()
  const [trigger, setTrigger] = useState<Trigger | null>(null)
  const [text, setText] = useState('')
  const [fault, setFault] = useState('')
  const found = (t: Trigger): void => {
    setTrigger(t)
    setFault('')
  }
  const keyFind = useKeyFind((t) => {
    setText(triggerName(t, env))
    found(t)
  })
  useShortcuts({ listen: () => keyFind.listen(true) })
  const codes = useMemo(() => env.controls.flatMap((c) => c.code ?? []), [env.controls])
  return (
    <div className="flex min-h-0 grow">
      <section
        aria-label="What a key does"
        className="side flex w-[440px] shrink-0 flex-col overflow-y-auto border-r border-rule bg-panel px-[14px] py-[10px]"
      >
        <h3 className="font-semibold">What does a key do?</h3>
        <form
          className="mt-2 flex gap-2"
          onSubmit={(e) => {
            e.preventDefault()
            try {
              found(readTrigger(text, env, codes))
            } catch (error) {
              setFault(problemInWords(error))
            }
          }}
        >
          <input
            className="field min-w-0 grow"
            aria-label="Key or combination"
            placeholder="Ctrl+Shift+U, or pad/k3"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <button type="submit" className="btn" disabled={text.trim() === ''}>
            Look up
          </button>
          <ListenButton {...keyFind} label="Look up a key by pressing it" />
        </form>
        <p role="alert" className="mt-1 text-magenta empty:hidden">
          {fault}
        </p>
        {trigger ? (
          <Found trigger={trigger} />
        ) : (
          <p className="mt-3 text-ink-2">
            Press the key button and then any key or combination, or write its name. Here stands what it does
            in each program and context, and what the system does with it.
          </p>
        )}
        <WhatHappened />
      </section>
      <ModifierSetList onLookUp={found} />
    </div>
  )
}

/** Who takes or uses it between the system and the programs. */
function TakenBy({ result }: { result: Lookup }) {
  return (
    <>
      {result.inputMethod && (
        <tr className="border-t border-rule">
          <th scope="row" className="py-1.5 text-left font-medium">
            {result.inputMethod.by}
          </th>
          <td className="font-semibold text-magenta">{result.inputMethod.does}</td>
        </tr>
      )}
      {result.programs.flatMap(({ program, takes }) =>
        takes.map((take) => (
          <tr key={`${program.id} ${take.kind}`} className="border-t border-rule">
            <th scope="row" className="py-1.5 text-left font-medium">
              {take.by === program.name ? 'By itself' : take.by}{' '}
              <span className="font-normal text-ink-2">{program.name}</span>
            </th>
            <td className={take.severity === 'caution' ? '' : 'font-semibold text-magenta'}>
              {take.does}
              {take.severity === 'caution' && <span className="text-ink-2">, by default</span>}
            </td>
          </tr>
        )),
      )}
    </>
  )
}

function Found({ trigger }: { trigger: Trigger }) {
  const { env, arrangement } = useDerived()
  const result = useMemo(() => lookUp(trigger, arrangement.placements, env), [trigger, arrangement, env])
  const { reachOf } = useReachOfSets(noHeld, heldSetsOf(trigger, arrangement))
  const reach = reachOf(trigger)
  return (
    <div className="mt-3" aria-live="polite">
      <h4 className="title">{triggerName(trigger, env)}</h4>
      <p className="text-ink-2">
        {result.lacks.length > 0
          ? `No device on this bench has ${result.lacks.join(' or ')}.`
          : reach
            ? `${verdictWords[reach.verdict]}, ${Math.round(reach.timeMs)} ms`
            : ''}
      </p>
      <table className="mt-2 w-full">
        <tbody>
          <tr className="border-t border-ink">
            <th scope="row" className="w-[150px] py-1.5 text-left font-medium">
              {env.system.name}
            </th>
            <td className={result.systemAction === null ? 'text-ink-2' : 'font-semibold text-magenta'}>
              {result.systemAction ?? 'nothing'}
            </td>
          </tr>
          <tr className="border-t border-rule">
            <th scope="row" className="py-1.5 text-left font-medium">
              Where text is typed
            </th>
            <td className={result.typed ? '' : 'text-ink-2'}>
              {result.typed ? typedInWords(result.typed) : 'nothing'}
            </td>
          </tr>
          <TakenBy result={result} />
          {result.programs.flatMap(({ program, contexts }) =>
            contexts.map((context, i) => (
              <tr
                key={`${program.id} ${context.id}`}
                className={`border-t ${i === 0 ? 'border-ink' : 'border-rule'}`}
              >
                <th scope="row" className="py-1.5 text-left font-medium">
                  {context.name} <span className="font-normal text-ink-2">{program.name}</span>
                </th>
                <td>
                  {context.commands.length === 0 ? (
                    <span className="text-ink-2">nothing</span>
                  ) : (
                    context.commands.map((c) => fullName(c)).join(' or ')
                  )}
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
      {result.relays.length > 0 && (
        <>
          <p className="caption mt-4 border-b border-rule pb-1">Controls that send it</p>
          <ul>
            {result.relays.map((r) => (
              <li
                key={`${triggerKey(r.trigger)} ${r.command.id}`}
                className="flex justify-between gap-2 border-b border-rule py-1"
              >
                <TriggerChip trigger={r.trigger} />{' '}
                <span className="text-ink-2">for {fullName(r.command)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
/** Every trigger under one set of modifiers. */
function ModifierSetList(props: { onLookUp: (trigger: Trigger) => void }) {
  const view = useModifierSetList(props)
  const { env, held, setHeld, programId, setProgramId, show, setShow, counts } = view
  return (
    <section aria-label="Under a set of modifiers" className="flex min-w-0 grow flex-col">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 px-[14px] py-[10px]">
        <div role="group" aria-label="Held modifiers" className="flex items-center gap-2">
          {offeredModifiers(env.layout).map((m) => (
            <button
              key={m}
              type="button"
              className="btn font-chart text-[14px] font-semibold"
              aria-pressed={held.includes(m)}
              onClick={() => setHeld(toggle(held, m))}
            >
              <ModifierSign modifier={m} /> {modifierName(m, env.systemId)}
            </button>
          ))}
        </div>
        <ProgramSelect label="Whose commands" value={programId} onChange={setProgramId} />
        <ContextSelect program={view.program} value={view.contextId} onChange={view.setContextId} />
        <div role="group" aria-label="Which triggers" className="flex gap-4 text-ink-2">
          {(Object.keys(shows) as Show[]).map((s) => (
            <button
              key={s}
              type="button"
              aria-pressed={show === s}
              className="border-b-2 border-transparent py-0.5 aria-pressed:border-magenta aria-pressed:font-semibold aria-pressed:text-ink"
              onClick={() => setShow(s)}
            >
              {shows[s]} {counts[s]}
            </button>
          ))}
        </div>
      </div>
      <ModifierSetTable view={view} />
    </section>
  )
}

function ModifierSetTable({
  view: { heldName, rows, reachOf, env, onLookUp, plan },
}: {
  view: ModifierSetListView
}) {
  return (
    <div className="min-h-0 grow overflow-y-auto">
      <table className="w-full" aria-label={`Triggers with ${heldName}`}>
        <thead className="sticky top-0 bg-paper">
          <tr className="caption border-b border-ink text-left">
            <th className="py-1.5 pl-[14px] font-medium">Trigger</th>
            <th className="font-medium">Device</th>
            <th className="font-medium">What stands on it</th>
            <th className="pr-[14px] text-right font-medium">Reach</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const reach = reachOf(row.trigger)
            return (
              <tr key={triggerKey(row.trigger)} className="border-b border-rule">
                <td className="w-[190px] py-1 pl-[14px]">
                  <button
                    type="button"
                    className="min-h-6 hover:underline"
                    aria-label={`Look up ${triggerName(row.trigger, env)}`}
                    onClick={() => onLookUp(row.trigger)}
                  >
                    <TriggerChip trigger={row.trigger} />
                  </button>
                </td>
                <td className="w-[150px] truncate text-ink-2">
                  {plan.devices.find((d) => 'deviceId' in row.control && d.id === row.control.deviceId)?.name}
                </td>
                <td>
                  {row.systemAction !== null && <span className="text-magenta">{row.systemAction} </span>}
                  {row.commands.map((c, i) => (
                    <span key={c.id}>
                      {i > 0 && ', '}
                      {fullName(c)}{' '}
                      <span className="text-[12px] text-ink-2">
                        {contextsInWords(
                          c,
                          plan.programs.find((p) => p.id === c.programId),
                        )}
                      </span>
                    </span>
                  ))}
                  {row.free && <span className="text-ink-2">free</span>}
                </td>
                <td className="w-[150px] pr-[14px] text-right whitespace-nowrap text-ink-2">
                  {reach
                    ? reach.verdict === 'away'
                      ? verdictWords.away
                      : `${verdictWords[reach.verdict]} ${Math.round(reach.timeMs)} ms`
                    : ''}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {rows.length === 0 && <p className="p-[14px] text-ink-2">None with {heldName}.</p>}
    </div>
  )
}
