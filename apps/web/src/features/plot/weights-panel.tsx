import { defaultPlaceWeights, type PlaceWeights, setWeight, resetWeights } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'

const sliders: readonly {
  readonly name: keyof PlaceWeights
  readonly label: string
  readonly hint: string
  readonly most: number
}[] = [
  { name: 'effortMs', label: 'Stretch', hint: 'for each unit of effort', most: 400 },
  { name: 'fingerMs', label: 'Weak finger', hint: 'for one of half the pace', most: 400 },
  { name: 'recallMs', label: 'Mnemonic', hint: 'for no link to the name', most: 1500 },
  { name: 'displaceMs', label: 'Displacing', hint: 'for a holder of the same use', most: 1500 },
  { name: 'clashMs', label: 'Clash', hint: 'for a key that types there', most: 2000 },
  { name: 'pointingMs', label: 'Pointing', hint: 'for pointing that a press interrupts', most: 1000 },
  { name: 'loadMs', label: 'Busy finger', hint: 'for a finger with twice its share, in Solve', most: 500 },
]

/** What the parts of a place's cost weigh, in ms of press time; the ranking follows at once. */
export function WeightsPanel() {
  const plan = usePlan()
  const edit = useEdit()
  const isDefault = sliders.every(({ name }) => plan.weights[name] === defaultPlaceWeights[name])
  return (
    <div className="grid gap-y-1 border-t border-rule px-[14px] py-2" role="group" aria-label="Weights, ms">
      {sliders.map(({ name, label, hint, most }) => (
        <label key={name} className="grid grid-cols-[78px_1fr_52px] items-center gap-2" title={hint}>
          {label}
          <input
            type="range"
            className="min-w-0 accent-(--magenta)"
            min={0}
            max={most}
            step={10}
            value={plan.weights[name]}
            aria-valuetext={`${plan.weights[name]} ms ${hint}`}
            onChange={(e) => edit((plan) => setWeight(plan, name, Number(e.target.value)), `weight ${name}`)}
          />
          <span className="text-right">{plan.weights[name]} ms</span>
        </label>
      ))}
      <div className="flex justify-end">
        <button
          type="button"
          className="link text-[12px]"
          disabled={isDefault}
          onClick={() => edit(resetWeights)}
        >
          Usual weights
        </button>
      </div>
    </div>
  )
}
