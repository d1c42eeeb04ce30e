import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import {
  contextsInWords,
  remediesFor,
  remedyLayers,
  severities,
  triggerKey,
  triggerName,
  type Clash,
  type Remedy,
  type Severity,
  heldOf,
  spotOf,
} from '@reach-plot/core'
import { toast } from 'sonner'
import { FindBar, useFind } from '../../shared/find-bar.js'
import { TriggerChip } from '../../shared/trigger-chip.js'
import { onEditable, undoAction } from '../../store/actions.js'
import { movePlacement, unplace } from '../../store/plan-edits.js'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachLayers } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { SeveritySign } from './severity-sign.js'

const meanings: Readonly<Record<Severity, string>> = {
  blocks: 'The command never gets the press.',
  shadows: 'Something else gets the press in some state.',
  ambiguous: 'Two commands answer to the same press.',
  caution: 'It works, with a snag.',
}
const layerNames: Readonly<Record<Clash['layer'], string>> = {
  device: 'device',
  system: 'system',
  typing: 'typing',
  context: 'program context',
  relay: 'relay',
}

/** All clashes by severity; for the chosen one, who takes the key and what would mend it. */
export function ClashesView() {
  const { clashes, around, survey } = useDerived()
  const [chosenId, setChosenId] = useState<string | null>(null)
  const { find, searchRef } = useFind()
  const { query, trigger } = find
  const namesOf = (clash: Clash): string[] =>
    clash.commandIds.map((id) => survey.commands.get(id)?.name ?? id)
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  const listed = clashes.filter((clash) => {
    const text = `${clash.message} ${namesOf(clash).join(' ')}`.toLowerCase()
    return (
      (trigger === null || triggerKey(clash.trigger) === triggerKey(trigger)) &&
      words.every((w) => text.includes(w))
    )
  })
  const chosen = listed.find((c) => c.id === chosenId) ?? listed[0]
  if (clashes.length === 0) {
    return (
      <div className="px-[14px] pt-4">
        <h2 className="title">No clashes</h2>
        <p className="mt-1 text-ink-2">
          Every trigger of this arrangement reaches its command on {around.system.name}, as far as the check
          can tell.
        </p>
      </div>
    )
  }
  return (
    <>
      <section aria-label="Clashes by severity" className="flex min-w-0 grow flex-col overflow-y-auto">
        <div className="flex items-center gap-2 px-[14px] pt-[10px]">
          <h2 className="title mr-2">Clashes</h2>
          <FindBar
            find={find}
            searchRef={searchRef}
            label="Find clashes by name"
            placeholder="Find by name"
          />
          <span role="status" className="text-ink-2">
            {listed.length} of {clashes.length} on {around.system.name}, {around.layout.name} layout
          </span>
        </div>
        {listed.length === 0 && <p className="px-[14px] pt-4 text-ink-2">No clash passes the search.</p>}
        {severities.map((severity) => {
          const group = listed.filter((c) => c.severity === severity)
          return group.length === 0 ? null : (
            <section key={severity} aria-label={severity} className="mt-4">
              <h3 className="flex items-baseline gap-2 border-b border-ink px-[14px] pb-1">
                <SeveritySign severity={severity} />
                <span className="text-[15px] font-semibold first-letter:uppercase">
                  <span className="inline-block first-letter:uppercase">{severity}</span> {group.length}
                </span>
                <span className="text-ink-2">{meanings[severity]}</span>
              </h3>
              <ul>
                {group.map((clash) => (
                  <li key={clash.id}>
                    <button
                      type="button"
                      aria-pressed={clash.id === chosen?.id}
                      className="grid w-full grid-cols-[112px_190px_1fr] items-center gap-3 border-b border-rule px-[14px] py-[6px] text-left hover:bg-reach-1 aria-pressed:bg-ink aria-pressed:text-panel"
                      onClick={() => setChosenId(clash.id)}
                    >
                      <TriggerChip trigger={clash.trigger} />
                      <span className="truncate font-semibold" title={namesOf(clash).join(', ')}>
                        {namesOf(clash).join(', ')}
                      </span>
                      <span>{clash.message}</span>
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          )
        })}
        <div className="h-4 shrink-0" />
      </section>
      {chosen && <ClashDetail key={chosen.id} clash={chosen} />}
    </>
  )
}

function ClashDetail({ clash }: { clash: Clash }) {
  const plan = usePlan()
  const { around, survey, triggersOf } = useDerived()
  const { layers } = useReachLayers(remedyLayers)
  const navigate = useNavigate()
  const set = useView((s) => s.set)
  const ready = remedyLayers.every((held) => layers[heldKey(held)] !== undefined)
  const remedies = useMemo(
    () =>
      ready
        ? remediesFor(
            clash,
            survey,
            remedyLayers.map((held) => layers[heldKey(held)] ?? {}),
          )
        : [],
    [ready, clash, survey, layers],
  )
  const commands = clash.commandIds
    .map((id) => plan.commands.find((c) => c.id === id))
    .filter((c) => c !== undefined)
  const name = triggerName(clash.trigger, around)

  const apply = (remedy: Remedy): void => {
    onEditable((draft) => {
      if (remedy.to) movePlacement(draft, remedy.commandId, remedy.from, remedy.to)
      else unplace(draft, remedy.commandId, remedy.from)
    })
    toast(remedy.to ? `Moved to ${triggerName(remedy.to, around)}` : `Taken off ${name}`, {
      action: undoAction(),
    })
  }
  const showOnPlot = (): void => {
    const [first] = commands
    set({
      programId: first?.programId ?? null,
      contextId: first?.contextIds[0] ?? null,
      chosenHeld: heldOf(clash.trigger),
      commandId: null,
      spot: spotOf(clash.trigger),
    })
    void navigate('/')
  }
  return (
    <aside
      aria-label="The chosen clash"
      className="flex w-[400px] shrink-0 flex-col overflow-y-auto border-l border-rule bg-panel px-5 pt-[14px] pb-4"
    >
      <p className="caption flex items-center gap-1.5">
        <SeveritySign severity={clash.severity} /> {clash.severity} · {layerNames[clash.layer]}
      </p>
      <h2 className="title mt-1">{name}</h2>
      <p className="mt-1">{clash.message}</p>
      <p className="mt-1 text-ink-2">{meanings[clash.severity]}</p>
      <p className="caption mt-4 border-b border-rule pb-1">Commands concerned</p>
      <ul>
        {commands.map((command) => (
          <li key={command.id} className="flex justify-between border-b border-rule py-1.5">
            <span>
              <b>{command.name}</b>{' '}
              <span className="text-ink-2">
                {contextsInWords(
                  command,
                  plan.programs.find((p) => p.id === command.programId),
                )}
              </span>
            </span>
            <span className="text-ink-2">
              {command.usesPerHour}/h{triggersOf(command.id).length > 1 && ', has another trigger'}
            </span>
          </li>
        ))}
      </ul>
      <p className="caption mt-4 border-b border-rule pb-1">Remedies</p>
      {!ready && <p className="py-2 text-ink-2">Working out free places …</p>}
      <ul>
        {remedies.map((remedy) => (
          <li key={remedy.text} className="border-b border-rule py-2">
            <button
              type="button"
              className={`btn w-full justify-start text-left whitespace-normal ${remedy === remedies[0] ? 'btn-main' : ''}`}
              onClick={() => apply(remedy)}
            >
              {remedy.text}
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="btn mt-4 self-start" onClick={showOnPlot}>
        Show {name} on the Plot
      </button>
    </aside>
  )
}
