import { verdictWords } from '../../parts/words.js'
import { modifierName, controlRefOf, verdicts, type Trigger } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { useFreePlaces } from './use-free-places.js'

const within = {
  rest: 'at rest',
  easy: 'at rest or easy',
  stretch: 'up to a stretch',
  away: 'anywhere',
} as const

/** All free triggers under the chosen modifiers, as a list beside the chart that shows them. */
export function FreeFinder({ onChoose }: { onChoose: (trigger: Trigger) => void }) {
  const plan = usePlan()
  const { env } = useDerived()
  const front = useFront()
  const held = useHeld()
  const { freeWithin, set } = useView()
  const { free, ready } = useFreePlaces()
  const heldName = held.map((m) => modifierName(m, env.systemId)).join('+')
  const program = plan.programs.find((p) => p.id === front.programId)?.name ?? ''
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="px-[14px] pt-3 pb-2">
        <p className="caption">Free in {program}</p>
        <h2 className="title mt-0.5">
          {free.length} free {heldName === '' ? 'without modifiers' : `with ${heldName}`}
        </h2>
        <p className="text-ink-2">Choose other modifiers above the chart.</p>
        <div className="mt-2 flex items-center gap-2">
          <select
            className="field min-w-0 grow"
            aria-label="Reached"
            value={freeWithin ?? 'easy'}
            onChange={(e) => set({ freeWithin: verdicts.find((v) => v === e.target.value) ?? 'easy' })}
          >
            {verdicts.map((v) => (
              <option key={v} value={v}>
                {within[v]}
              </option>
            ))}
          </select>
          <button type="button" className="btn" onClick={() => set({ freeWithin: null })}>
            Done
          </button>
        </div>
      </div>
      <ul className="min-h-0 grow overflow-y-auto border-t-2 border-magenta" aria-label="Free places">
        {!ready && <li className="p-4 text-ink-2">Working out the reach …</li>}
        {ready && free.length === 0 && (
          <li className="p-4 text-ink-2">
            Nothing is free here. Allow a longer reach or hold other modifiers.
          </li>
        )}
        {free.map(({ candidate, reach }) => (
          <li key={candidate.key} className="border-b border-rule">
            <button
              type="button"
              className="flex w-full items-center justify-between px-[14px] py-[6px] text-left hover:bg-reach-1"
              onMouseEnter={() => set({ hovered: controlRefOf(candidate.trigger) })}
              onClick={() => onChoose(candidate.trigger)}
            >
              <span className="keycap">
                <TriggerChip trigger={candidate.trigger} />
              </span>
              <span className="text-ink-2">
                {verdictWords[reach.verdict]} · {Math.round(reach.timeMs)} ms
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}
