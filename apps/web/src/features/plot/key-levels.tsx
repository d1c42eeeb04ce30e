import { Ban, Lock } from 'lucide-react'
import {
  contextsInWords,
  matchingCommands,
  heldOf,
  isModifierCode,
  reservedBy,
  keyLegend,
  modifierName,
  plainTriggers,
  controlName,
  controlRefOf,
  triggerKey,
  triggerName,
  type Command,
  type Trigger,
  toggleRule,
} from '@reach-plot/core'
import { ModifierSign } from '../../parts/modifier-sign.js'
import { place, remove } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useReachOfSets } from '../../store/reach.js'
import { heldSetsOf, useDerived, useFront, useFrontCommands, usePageOf } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import { reservedNote } from '../../parts/words.js'
import { offeredHeld } from '../../parts/held-sets.js'

/** Levels of a field with many strokes are only listed where something stands on them. */
const manyTriggers = 4

/** Every level of a key or control: who stands on it in the program in front and elsewhere, and what is free. */
export function KeyLevels({
  controlRef,
  onOther,
}: {
  controlRef: string
  onOther: (trigger: Trigger) => void
}) {
  const plan = usePlan()
  const { env, index, rests, arrangement } = useDerived()
  const front = useFront()
  const pageOf = usePageOf()
  const commands = useFrontCommands()
  const edit = useEdit()
  const set = useView((s) => s.set)
  const levels = offeredHeld(env.layout)
  const own = arrangement.placements
    .filter((p) => controlRefOf(p.trigger) === controlRef)
    .map((p) => p.trigger)
  const { reachOf } = useReachOfSets(
    levels,
    own.flatMap((trigger) => heldSetsOf(trigger, arrangement)),
  )
  const program = plan.programs.find((p) => p.id === front.programId)
  const control = env.controls.find((c) => refOfControl(c) === controlRef)
  const legend =
    control === undefined || control.code !== null
      ? keyLegend(controlRef, env.layout, env.systemId)
      : (env.legends?.get(controlRef) ?? controlRef)
  const page = control?.code === null ? pageOf(control.deviceId) : undefined
  const finger = Object.entries(rests).find(([, id]) => id === control?.id)?.[0]
  const plain = control ? levels.flatMap((held) => plainTriggers(control, held, page)) : []
  if (isModifierCode(controlRef) || plain.length === 0) {
    return (
      <p className="p-4 text-ink-2">{legend} is held with other keys and carries no command of its own.</p>
    )
  }
  const where = (command: Command): string => {
    const owner = plan.programs.find((p) => p.id === command.programId)
    return `${owner?.id === program?.id ? '' : `${owner?.name}, `}${contextsInWords(command, owner)}`
  }
  const known = new Set(plain.map(triggerKey))
  const others = [
    ...new Map(own.filter((t) => !known.has(triggerKey(t))).map((t) => [triggerKey(t), t])).values(),
  ]
  const several = plain.length > levels.length
  const isHeld = (t: Trigger): boolean =>
    (index.holders.get(triggerKey(t)) ?? []).some((c) => c.programId === program?.id)
  const isTaken = (t: Trigger): boolean => isHeld(t) || reservedBy(t, index) !== null
  const rows = [
    ...plain.filter(
      (t) => plain.length <= manyTriggers * levels.length || heldOf(t).length === 0 || isTaken(t),
    ),
    ...others,
  ]
  const barred = index.rules.bars(controlRef)
  const open = commands.filter((c) => !index.triggers.has(c.id))
  const freeTriggers = barred || index.rules.locksControl(controlRef) ? [] : plain.filter((t) => !isTaken(t))
  const fitting = matchingCommands(freeTriggers, open, index)
  const freeCount = plain.filter((t) => !isTaken(t)).length
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="px-[14px] pt-3 pb-2">
        <p className="caption">Levels of the {control?.type ?? 'key'}</p>
        <h2 className="title mt-0.5">{legend}</h2>
        <p className="text-ink-2">
          {freeCount} of {plain.length} {several ? 'triggers' : 'levels'} are free
          {program && ` in ${program.name}`}
          {finger && ` · the ${finger} finger rests here`}
        </p>
        <div className="mt-2 flex flex-wrap gap-1.5">
          <button type="button" className="btn" onClick={() => onOther(plain[0]!)}>
            Place by another act…
          </button>
          <button
            type="button"
            className="btn"
            aria-pressed={index.rules.locksControl(controlRef)}
            onClick={() => edit((draft) => toggleRule(draft, 'lockedControls', controlRef))}
          >
            <Lock size={13} aria-hidden="true" /> Keep as it is
          </button>
          <button
            type="button"
            className="btn"
            aria-pressed={barred}
            onClick={() => edit((draft) => toggleRule(draft, 'barredControls', controlRef))}
          >
            <Ban size={13} aria-hidden="true" /> Must not be used
          </button>
        </div>
      </div>
      <ul
        className="min-h-0 grow overflow-y-auto border-t-2 border-magenta"
        aria-label={`Levels of ${legend}`}
      >
        {rows.map((trigger) => {
          const held = heldOf(trigger)
          const key = triggerKey(trigger)
          const holders = (index.holders.get(key) ?? []).toSorted(
            (a, b) => Number(b.programId === program?.id) - Number(a.programId === program?.id),
          )
          const kept = reservedBy(trigger, index)
          const reach = reachOf(trigger)
          const name = triggerName(trigger, env)
          const isOther = others.includes(trigger)
          const isFree = kept === null && !isHeld(trigger)
          const fit = isFree ? fitting.get(key) : undefined
          return (
            <li key={key} className="border-b border-rule px-[14px] py-[7px]">
              <div className="flex items-center justify-between">
                <button
                  type="button"
                  className="inline-flex min-h-6 items-center gap-1.5 font-chart text-[14px] font-semibold hover:underline"
                  onClick={() => set({ chosenHeld: held })}
                >
                  {isOther
                    ? name
                    : held.length === 0
                      ? several
                        ? ''
                        : 'bare'
                      : held.map((m) => (
                          <span key={m} className="inline-flex items-center gap-1">
                            <ModifierSign modifier={m} /> {modifierName(m, env.systemId)}
                          </span>
                        ))}
                  {several && !isOther && controlName(trigger, env)}
                </button>
                <span className="text-[12px] text-ink-2">
                  {reach ? `${reach.verdict} · ${Math.round(reach.timeMs)} ms` : ''}
                </span>
              </div>
              {kept !== null && <p className="text-magenta">{reservedNote(kept)}</p>}
              {holders.map((command) => (
                <p key={command.id} className="flex items-baseline gap-2">
                  <span className="grow">
                    <b>{command.name}</b> <span className="text-[12px] text-ink-2">{where(command)}</span>
                  </span>
                  <button
                    type="button"
                    className="link text-[12px]"
                    aria-label={`Take ${command.name} off ${name}`}
                    onClick={() => remove(command.id, trigger, name)}
                  >
                    take off
                  </button>
                </p>
              ))}
              {isFree && !fit && <p className="text-ink-2">free</p>}
              {fit && (
                <p className="flex items-baseline gap-2">
                  <span className="grow text-ink-2">
                    free; fits <b className="text-ink">{fit.command.name}</b>, {fit.command.usesPerHour}/h.{' '}
                    {fit.mnemonic.reason}
                  </span>
                  <button
                    type="button"
                    className="link text-[12px]"
                    aria-label={`Place ${fit.command.name} on ${name}`}
                    onClick={() => place({ commandId: fit.command.id, trigger }, name)}
                  >
                    place
                  </button>
                </p>
              )}
            </li>
          )
        })}
      </ul>
    </div>
  )
}
