import { modifierName, modifiers, type Program, setBinds, setDrags, setHost } from '@reach-plot/core'
import { useProgramHabits, type ProgramHabitsView } from './use-program-habits.js'

/** What a program does with keys and drags, as far as the check needs to know it. */
export function ProgramHabits(props: { program: Program }) {
  const view = useProgramHabits(props)
  const { program, edit, id, drags, change, env } = view
  return (
    <div className="mt-2 text-[13px]">
      <HabitChoices view={view} />
      {drags.map((drag, i) => (
        <div key={i} className="mt-1.5 flex flex-wrap items-center gap-2">
          Dragging
          <select
            className="field"
            aria-label={`Modifier of drag ${i + 1}`}
            value={drag.modifier ?? ''}
            onChange={(e) => change(i, { modifier: modifiers.find((m) => m === e.target.value) ?? null })}
          >
            <option value="">with none held</option>
            {modifiers.map((m) => (
              <option key={m} value={m}>
                with {modifierName(m, env.systemId)}
              </option>
            ))}
          </select>
          in
          <select
            className="field"
            aria-label={`Context of drag ${i + 1}`}
            value={drag.contextId ?? ''}
            onChange={(e) => change(i, { contextId: e.target.value === '' ? null : e.target.value })}
          >
            <option value="">every context</option>
            {program.contexts.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </select>
          <input
            className="field min-w-0 grow"
            aria-label={`What drag ${i + 1} does`}
            maxLength={80}
            value={drag.does}
            onChange={(e) => e.target.value !== '' && change(i, { does: e.target.value })}
          />
          <button
            type="button"
            className="link"
            aria-label={`Remove drag ${i + 1}`}
            onClick={() =>
              edit((plan) =>
                setDrags(
                  plan,
                  id,
                  drags.filter((_, k) => k !== i),
                ),
              )
            }
          >
            remove
          </button>
        </div>
      ))}
    </div>
  )
}

function HabitChoices({ view: { program, edit, id, drags } }: { view: ProgramHabitsView }) {
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          className="accent-(--magenta)"
          checked={program.host === 'browser'}
          onChange={(e) => edit((plan) => setHost(plan, id, e.target.checked))}
        />
        Runs in a web browser
      </label>
      <label className="flex items-center gap-1.5">
        Shortcuts follow
        <select
          className="field"
          value={program.binds ?? 'places'}
          onChange={(e) =>
            edit((plan) => setBinds(plan, id, e.target.value === 'characters' ? 'characters' : 'places'))
          }
        >
          <option value="places">the key position</option>
          <option value="characters">the printed character</option>
        </select>
      </label>
      <button
        type="button"
        className="btn"
        disabled={drags.length >= 60}
        onClick={() =>
          edit((plan) =>
            setDrags(plan, id, [...drags, { contextId: null, modifier: null, does: 'moves the view' }]),
          )
        }
      >
        Add what a drag does
      </button>
    </div>
  )
}
