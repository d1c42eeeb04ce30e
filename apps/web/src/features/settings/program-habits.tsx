import {
  modifierName,
  modifiers,
  pointerAct,
  setBinds,
  setDrags,
  setFreed,
  setHabit,
  setHost,
  type PointerRole,
  type Program,
  type ProgramHabit,
} from '@reach-plot/core'
import { TickField } from '../../parts/fields.js'
import { useProgramHabits, type ProgramHabitsView } from './use-program-habits.js'

/** What a program does with keys and drags, as far as the check needs to know it. */
export function ProgramHabits(props: { program: Program }) {
  const view = useProgramHabits(props)
  const { program, edit, id, drags, change, env } = view
  return (
    <div className="mt-2 text-[13px]">
      <HabitChoices view={view} />
      <HabitTicks view={view} />
      <PointerTicks view={view} />
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
        Runs
        <select
          className="field"
          value={program.host ?? ''}
          onChange={(e) => {
            const host = (['browser', 'terminal'] as const).find((h) => h === e.target.value) ?? null
            edit((plan) => setHost(plan, id, host))
          }}
        >
          <option value="">by itself</option>
          <option value="browser">in a web browser</option>
          <option value="terminal">in a terminal</option>
        </select>
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

const hostKeysWords = {
  browser: 'It cancels what the browser does with its keys',
  terminal: 'It turns off the terminal’s own keys, such as Ctrl+C and Ctrl+S',
} as const

function HabitTicks({ view: { program, edit, id } }: { view: ProgramHabitsView }) {
  const tick = (habit: ProgramHabit, words: string) => (
    <TickField
      key={habit}
      checked={program[habit] === true}
      onChange={(isOn) => edit((plan) => setHabit(plan, id, habit, isOn))}
    >
      {words}
    </TickField>
  )
  return (
    <div className="mt-1.5 flex flex-wrap gap-x-5 gap-y-1">
      {program.host && tick('takesHostKeys', hostKeysWords[program.host])}
      {program.host === 'terminal' &&
        tick('extendedKeys', 'It and the terminal speak an extended key protocol')}
      {tick('restsWhileTyping', 'Its single keys rest while you type in a text field')}
      {tick('contextsTie', 'A context’s own key does not go before one that works everywhere')}
    </div>
  )
}

const roleWords: Readonly<Record<PointerRole, string>> = {
  main: 'main button',
  menu: 'second button',
  middle: 'middle button',
  wheel: 'wheel',
  back: 'back button',
  forward: 'forward button',
}
/** Acts of the pointer that programs mostly use themselves. */
const usualActs = [
  ['wheel', []],
  ['wheel', ['Shift']],
  ['wheel', ['Control']],
  ['middle', []],
  ['menu', []],
  ['main', ['Shift']],
  ['main', ['Control']],
] as const

function PointerTicks({ view: { program, edit, id, env } }: { view: ProgramHabitsView }) {
  return (
    <fieldset className="mt-1.5">
      <legend className="text-ink-2">It leaves free, of the mouse</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {usualActs.map(([role, held]) => {
          const act = pointerAct(role, held)
          const words = [...held.map((m) => modifierName(m, env.systemId)), roleWords[role]].join('+')
          return (
            <TickField
              key={act}
              checked={program.frees?.includes(act) === true}
              onChange={(isFree) => edit((plan) => setFreed(plan, id, act, isFree))}
            >
              {words}
            </TickField>
          )
        })}
      </div>
    </fieldset>
  )
}
