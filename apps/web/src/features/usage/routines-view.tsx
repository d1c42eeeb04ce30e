import { RoutineChain } from './routine-chain.js'
import { CommandChooser } from '../../parts/command-chooser.js'
import { ArrowDown, ArrowUp, Hand, Trash2, X } from 'lucide-react'
import { toast } from '../../store/message.js'
import {
  type Plan,
  type Routine,
  type RoutineStep,
  addStep,
  deleteRoutine,
  editRoutine,
  moveStep,
  removeStep,
  setMeanwhile,
} from '@reach-plot/core'
import { NumberBox } from '../../parts/number-box.js'
import { undoAction } from '../../store/actions.js'
import { useRoutineEditor, type RoutineEditorView } from './use-routine-editor.js'
import { useRoutines, type RoutinesScreen, nameOf } from './use-routines.js'

/** A step in words. */
const stepName = (plan: Plan, step: RoutineStep): string => {
  if (step.kind === 'command') return nameOf(plan, step.commandId)
  return step.kind === 'point'
    ? 'point and click'
    : step.kind === 'drag'
      ? 'drag'
      : `type ${step.characters} characters`
}
/** Routines that are kept, and repeated sequences of the log that may become some. */
export function RoutinesView() {
  const view = useRoutines()
  const { plan, startNew, chosen, setChosenId } = view
  return (
    <div className="flex min-h-0 grow">
      <section
        aria-label="Routines kept"
        className="side flex w-[270px] shrink-0 flex-col border-r border-rule bg-panel"
      >
        <div className="flex items-center justify-between px-[14px] py-[10px]">
          <h3 className="font-semibold">Kept</h3>
          <button type="button" className="btn" disabled={plan.commands.length === 0} onClick={startNew}>
            New routine
          </button>
        </div>
        <ul className="min-h-0 grow overflow-y-auto border-t border-rule">
          {plan.routines.map((r) => (
            <li key={r.id}>
              <button
                type="button"
                aria-pressed={r === chosen}
                className="flex w-full items-baseline gap-2 border-b border-rule px-[14px] py-[6px] text-left hover:bg-reach-1 aria-pressed:bg-ink aria-pressed:text-panel"
                onClick={() => setChosenId(r.id)}
              >
                <span className="min-w-0 grow truncate">{r.name}</span>
                <span className="shrink-0 text-[12px] opacity-80">
                  {r.steps.length} steps · {r.timesPerHour}/h
                </span>
              </button>
            </li>
          ))}
          {plan.routines.length === 0 && (
            <li className="px-[14px] py-2 text-ink-2">
              None yet. Keep one of the sequences, or make one yourself.
            </li>
          )}
        </ul>
      </section>
      {chosen && <RoutineEditor key={chosen.id} routine={chosen} />}
      <RepeatedSequences view={view} />
    </div>
  )
}

function RepeatedSequences({ view: { proposals, plan, hours, keep } }: { view: RoutinesScreen }) {
  return (
    <section aria-label="Repeated sequences" className="min-w-0 grow overflow-y-auto px-5 py-[10px]">
      <h3 className="font-semibold">Repeated sequences of the log</h3>
      <p className="text-ink-2">
        Longest first. Those that nearly always stand inside a longer one are left out.
      </p>
      <ul className="mt-2 border-t border-ink">
        {proposals.length === 0 && (
          <li className="py-2 text-ink-2">
            {plan.usage ? 'No other sequence is repeated often.' : 'Import a log under Usage to see them.'}
          </li>
        )}
        {proposals.map((s) => (
          <li key={s.commandIds.join()} className="flex items-center gap-3 border-b border-rule py-1.5">
            <span className="w-[74px] shrink-0 text-right">
              <b>{s.support.toLocaleString('en-GB')}</b>
              <span className="block text-[12px] text-ink-2">
                {hours > 0 ? `${(s.support / hours).toFixed(1)}/h` : ''}
              </span>
            </span>
            <span className="min-w-0 grow">
              {s.commandIds.map((id, i) => (
                <span key={i}>
                  {i > 0 && (
                    <span className="text-ink-2">{s.meanwhile?.includes(i) ? ' and at once ' : ' → '}</span>
                  )}
                  {nameOf(plan, id)}
                </span>
              ))}
              <span className="text-[12px] text-ink-2">
                {' '}
                · {plan.programs.find((p) => p.id === s.programId)?.name}
              </span>
            </span>
            <button
              type="button"
              className="btn shrink-0"
              aria-label={`Keep ${s.commandIds.map((id) => nameOf(plan, id)).join(', ')}`}
              onClick={() => keep(s)}
            >
              Keep
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function RoutineEditor(props: { routine: Routine }) {
  const view = useRoutineEditor(props)
  const { routine, edit, id, plan } = view
  return (
    <section
      aria-label={`Routine ${routine.name}`}
      className="side flex w-[360px] shrink-0 flex-col overflow-y-auto border-r border-rule px-[14px] py-[10px]"
    >
      <input
        className="field text-[15px] font-semibold"
        aria-label="Name of the routine"
        value={routine.name}
        maxLength={120}
        onChange={(e) =>
          e.target.value !== '' &&
          edit((plan) => editRoutine(plan, id, { name: e.target.value }), `routine ${id}`)
        }
      />
      <div className="mt-2 flex items-end justify-between gap-3">
        <div className="w-[120px]">
          <NumberBox
            label="Times an hour"
            value={routine.timesPerHour}
            min={0}
            max={100_000}
            onChange={(timesPerHour) =>
              edit((plan) => editRoutine(plan, id, { timesPerHour }), `times ${id}`)
            }
          />
        </div>
        <span className="text-ink-2">{plan.programs.find((p) => p.id === routine.programId)?.name}</span>
        <button
          type="button"
          className="btn"
          onClick={() => {
            edit((plan) => deleteRoutine(plan, id))
            toast(`“${routine.name}” is deleted`, { action: undoAction() })
          }}
        >
          <Trash2 size={14} aria-hidden="true" /> Delete
        </button>
      </div>
      <StepList view={view} />
      <AddStep view={view} />
      <RoutineChain routine={routine} />
    </section>
  )
}

function StepList({ view: { routine, plan, edit, id } }: { view: RoutineEditorView }) {
  return (
    <ol className="mt-3 border-t border-ink">
      {routine.steps.map((step, i) => {
        const name = stepName(plan, step)
        return (
          <li key={`${i} ${name}`} className="flex items-center gap-2 border-b border-rule py-1">
            <span className="w-5 text-right text-ink-2">{i + 1}</span>
            <span className={`min-w-0 grow truncate ${step.kind === 'command' ? '' : 'italic'}`}>{name}</span>
            {i > 0 && step.kind !== 'type' && (
              <button
                type="button"
                className={`p-1.5 ${step.meanwhile ? 'bg-ink text-panel' : ''}`}
                aria-pressed={step.meanwhile === true}
                aria-label={`Step ${i + 1}, ${name}, at the same time as the step before`}
                title="At the same time as the step before, by the other hand"
                onClick={() => edit((plan) => setMeanwhile(plan, id, i, step.meanwhile !== true))}
              >
                <Hand size={13} aria-hidden="true" />
              </button>
            )}
            <button
              type="button"
              className="p-1.5 disabled:opacity-40"
              aria-label={`Move step ${i + 1}, ${name}, up`}
              disabled={i === 0}
              onClick={() => edit((plan) => moveStep(plan, id, i, i - 1))}
            >
              <ArrowUp size={13} aria-hidden="true" />
            </button>
            <button
              type="button"
              className="p-1.5 disabled:opacity-40"
              aria-label={`Move step ${i + 1}, ${name}, down`}
              disabled={i === routine.steps.length - 1}
              onClick={() => edit((plan) => moveStep(plan, id, i, i + 1))}
            >
              <ArrowDown size={13} aria-hidden="true" />
            </button>
            <button
              type="button"
              className="p-1.5 disabled:opacity-40"
              aria-label={`Remove step ${i + 1}, ${name}`}
              disabled={routine.steps.length === 1}
              onClick={() => edit((plan) => removeStep(plan, id, i))}
            >
              <X size={13} aria-hidden="true" />
            </button>
          </li>
        )
      })}
    </ol>
  )
}

function AddStep({ view: { edit, id, commands } }: { view: RoutineEditorView }) {
  return (
    <div className="mt-3 flex items-center gap-2">
      <CommandChooser
        label="Add a step"
        hideLabel
        className="min-w-0 grow"
        commands={commands}
        value=""
        empty="Add a command …"
        onChange={(commandId) =>
          commandId !== '' && edit((plan) => addStep(plan, id, { kind: 'command', commandId }))
        }
      />
      {(
        [
          ['Click', { kind: 'point' }],
          ['Drag', { kind: 'drag' }],
          ['Type', { kind: 'type', characters: 8 }],
        ] as const
      ).map(([name, step]) => (
        <button
          key={name}
          type="button"
          className="btn"
          onClick={() => edit((plan) => addStep(plan, id, step))}
        >
          {name}
        </button>
      ))}
    </div>
  )
}
