import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import {
  contextsInWords,
  heldOf,
  remediesFor,
  remedyModifierSets,
  controlRefOf,
  triggerName,
  type Clash,
  type Remedy,
  acceptClash,
  reopenClash,
  applyRemedy,
} from '@reach-plot/core'
import { toast } from 'sonner'
import { onEditable, undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { heldKey, useReachOfSets } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { SeveritySign } from '../../parts/severity-sign.js'
import { evidenceWords, stageNames, meanings } from './words.js'

/** One finding: who takes the key, why, how sure, and what would mend it. */
export function ClashDetail({ clash, note }: { clash: Clash; note: string | null }) {
  const plan = usePlan()
  const edit = useEdit()
  const { env, index, triggersOf } = useDerived()
  const { reachBySet } = useReachOfSets(remedyModifierSets)
  const navigate = useNavigate()
  const set = useView((s) => s.set)
  const [why, setWhy] = useState(note ?? '')
  const ready = remedyModifierSets.every((held) => reachBySet[heldKey(held)] !== undefined)
  const remedies = useMemo(
    () =>
      ready
        ? remediesFor(
            clash,
            index,
            remedyModifierSets.map((held) => reachBySet[heldKey(held)] ?? {}),
          )
        : [],
    [ready, clash, index, reachBySet],
  )
  const commands = clash.commandIds
    .map((id) => plan.commands.find((c) => c.id === id))
    .filter((c) => c !== undefined)
  const name = triggerName(clash.trigger, env)

  const apply = (remedy: Remedy): void => {
    const { kind, to } = remedy
    if (kind === 'setting') edit((before) => applyRemedy(before, remedy))
    else onEditable((before) => applyRemedy(before, remedy))
    toast(
      kind === 'setting'
        ? `${name} counts as off in ${env.system.name}`
        : kind === 'relay'
          ? `${name} sends what reaches its command`
          : to
            ? `Moved to ${triggerName(to, env)}`
            : `Removed from ${name}`,
      { action: undoAction() },
    )
  }
  const showOnPlot = (): void => {
    const [first] = commands
    set({
      programId: first?.programId ?? null,
      contextId: first?.contextIds[0] ?? null,
      chosenHeld: heldOf(clash.trigger),
      commandId: null,
      controlRef: controlRefOf(clash.trigger),
    })
    void navigate('/')
  }
  return (
    <aside
      aria-label="The chosen clash"
      className="flex w-[400px] shrink-0 flex-col overflow-y-auto border-l border-rule bg-panel px-5 pt-[14px] pb-4"
    >
      <p className="caption flex items-center gap-1.5">
        <SeveritySign severity={clash.severity} /> {clash.severity} · {stageNames[clash.stage]}
        {note !== null && ' · accepted'}
      </p>
      <h2 className="title mt-1">{name}</h2>
      <p className="mt-1">{clash.message}</p>
      <p className="mt-1 text-ink-2">
        {meanings[clash.severity]} How sure: {evidenceWords[clash.evidence]}.
      </p>
      {clash.setting !== undefined && (
        <p className="mt-1">
          Setting:{' '}
          <code className="rounded-none bg-reach-1 px-1 text-[13px] break-words">{clash.setting}</code>
        </p>
      )}
      <p className="caption mt-4 border-b border-rule pb-1">Commands concerned</p>
      <ul>
        {commands.map((command) => (
          <li key={command.id} className="flex justify-between gap-2 border-b border-rule py-1.5">
            <span className="min-w-0 break-words">
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
      {ready && remedies.length === 0 && (
        <p className="py-2 text-ink-2">
          What is concerned is kept where it is, or has no trigger of its own. Let it move first, or accept
          this.
        </p>
      )}
      <ul>
        {remedies.map((remedy) => (
          <li key={remedy.text} className="border-b border-rule py-2">
            <button
              type="button"
              className={`btn w-full justify-start text-left break-words whitespace-normal ${remedy === remedies[0] ? 'btn-main' : ''}`}
              onClick={() => apply(remedy)}
            >
              {remedy.text}
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-4"
        onSubmit={(e) => {
          e.preventDefault()
          edit((plan) => acceptClash(plan, clash, why))
          toast('Accepted. It stays listed at the end.', { action: undoAction() })
        }}
      >
        <label htmlFor="accept-note" className="caption block border-b border-rule pb-1">
          Live with it
        </label>
        <div className="mt-2 flex gap-2">
          <input
            id="accept-note"
            className="field min-w-0 grow"
            placeholder="why, for later"
            maxLength={500}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <button type="submit" className="btn">
            {note === null ? 'Accept' : 'Save the note'}
          </button>
        </div>
        {note !== null && (
          <button
            type="button"
            className="link mt-1 text-[13px]"
            onClick={() => edit((plan) => reopenClash(plan, clash.id))}
          >
            No longer accept it
          </button>
        )}
      </form>
      <button type="button" className="btn mt-4 self-start" onClick={showOnPlot}>
        Show {name} on the Plot
      </button>
    </aside>
  )
}
