import { Ban, Lock } from 'lucide-react'
import { controlName, heldOf, toggleRule, triggerName, type Command, type Trigger } from '@reach-plot/core'
import { modifierSetName, reservedNote, verdictWords } from '../../parts/words.js'
import { Foreseen } from './foreseen.js'
import { place, remove } from '../../store/actions.js'
import { useEdit } from '../../store/plan-store.js'
import { useView } from '../../store/view-store.js'
import { useKeyLevels, type KeyLevelsView, type LevelRow } from './use-key-levels.js'

/** Every level of a key or control: who stands on it in the program in use and elsewhere, and what is free. */
export function KeyLevels({
  controlRef,
  onOther,
}: {
  controlRef: string
  onOther: (trigger: Trigger) => void
}) {
  const view = useKeyLevels(controlRef)
  const { legend, plain, rows } = view
  const [first] = plain
  if (view.isModifier || !first) {
    return (
      <p className="p-4 text-ink-2">{legend} is held with other keys and carries no command of its own.</p>
    )
  }
  return (
    <div className="flex min-h-0 grow flex-col">
      <LevelsHead view={view} controlRef={controlRef} onOther={() => onOther(first)} />
      <ul
        className="min-h-0 grow overflow-y-auto border-t-2 border-magenta"
        aria-label={`Levels of ${legend}`}
      >
        {rows.map((row) => (
          <Level key={row.key} row={row} view={view} />
        ))}
      </ul>
    </div>
  )
}

function LevelsHead({
  view: { type, legend, freeCount, plain, hasSeveral, program, finger, isLocked, isBarred },
  controlRef,
  onOther,
}: {
  view: KeyLevelsView
  controlRef: string
  onOther: () => void
}) {
  const edit = useEdit()
  return (
    <div className="px-[14px] pt-3 pb-2">
      <p className="caption">Levels of the {type}</p>
      <h2 className="title mt-0.5">{legend}</h2>
      <p className="text-ink-2">
        {freeCount} of {plain.length} {hasSeveral ? 'triggers' : 'levels'} are free
        {program && ` in ${program.name}`}
        {finger && ` · the ${finger} finger rests here`}
      </p>
      <div className="mt-2 flex flex-wrap gap-1.5">
        <button type="button" className="btn" onClick={onOther}>
          Double tap, hold …
        </button>
        <button
          type="button"
          className="btn"
          aria-pressed={isLocked}
          onClick={() => edit((plan) => toggleRule(plan, 'lockedControls', controlRef))}
        >
          <Lock size={13} aria-hidden="true" /> {isLocked ? 'Unlock' : 'Lock'}
        </button>
        <button
          type="button"
          className="btn"
          aria-pressed={isBarred}
          onClick={() => edit((plan) => toggleRule(plan, 'barredControls', controlRef))}
        >
          <Ban size={13} aria-hidden="true" /> Must not be used
        </button>
      </div>
    </div>
  )
}

function Level({ row, view }: { row: LevelRow; view: KeyLevelsView }) {
  const { trigger, holders, reserved, reach, isFree, fit } = row
  const set = useView((s) => s.set)
  return (
    <li className="border-b border-rule px-[14px] py-[7px]">
      <div className="flex items-center justify-between">
        <button
          type="button"
          className="inline-flex min-h-6 items-center gap-1.5 font-chart text-[14px] font-semibold hover:underline"
          onClick={() => set({ chosenHeld: heldOf(trigger) })}
        >
          {levelName(row, view)}
        </button>
        <span className="text-[12px] text-ink-2">
          {reach ? `${verdictWords[reach.verdict]} · ${Math.round(reach.timeMs)} ms` : ''}
        </span>
      </div>
      {reserved !== null && <p className="text-magenta">{reservedNote(reserved)}</p>}
      {holders.map((command) => (
        <Holder key={command.id} command={command} trigger={trigger} view={view} />
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
            aria-label={`Place ${fit.command.name} on ${triggerName(trigger, view.env)}`}
            onClick={() => place({ commandId: fit.command.id, trigger }, triggerName(trigger, view.env))}
          >
            place
          </button>
        </p>
      )}
      {fit && <Foreseen commandId={fit.command.id} trigger={trigger} />}
    </li>
  )
}

/** The modifiers that are held, and where a control has several ways, which one. */
function levelName({ trigger, isOther, layerName }: LevelRow, { env, hasSeveral }: KeyLevelsView): string {
  if (isOther && layerName !== undefined) return `${layerName}: ${triggerName(trigger, env)}`
  if (isOther) return triggerName(trigger, env)
  const held = heldOf(trigger)
  const own = hasSeveral ? controlName(trigger, env) : ''
  return held.length === 0 && own !== '' ? own : `${modifierSetName(held, env.systemId)} ${own}`.trim()
}

function Holder({ command, trigger, view }: { command: Command; trigger: Trigger; view: KeyLevelsView }) {
  const name = triggerName(trigger, view.env)
  return (
    <p className="flex items-baseline gap-2">
      <span className="grow">
        <b>{command.name}</b> <span className="text-[12px] text-ink-2">{view.where(command)}</span>
      </span>
      <button
        type="button"
        className="link text-[12px]"
        aria-label={`Remove ${command.name} from ${name}`}
        onClick={() => remove(command.id, trigger, name)}
      >
        remove
      </button>
    </p>
  )
}
