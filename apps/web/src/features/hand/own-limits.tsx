import { fingers, setOwnLimits, type FingerCare, type OwnLimits } from '@reach-plot/core'
import { ChoiceField, TickField } from '../../parts/fields.js'
import { useEdit } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const careWords: readonly (readonly [FingerCare | 'usual', string])[] = [
  ['usual', 'used as usual'],
  ['spared', 'spared: its presses cost more'],
  ['rested', 'rested: never used'],
]

const directionWords = {
  forward: 'away from me',
  back: 'towards me',
  in: 'towards the thumb',
  out: 'towards the little finger',
} as const
type Direction = keyof typeof directionWords
const directions = Object.keys(directionWords) as Direction[]

/** What the person spares their hand; the chart follows at once. */
export function OwnLimitsForm() {
  const { hand } = useDerived()
  const edit = useEdit()
  const limits: OwnLimits = hand.limits ?? {}
  const set = (change: Partial<OwnLimits>): void =>
    edit((plan) => setOwnLimits(plan, { ...limits, ...change }))
  return (
    <div className="mt-3 max-w-[520px]">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        {fingers.map((finger) => (
          <ChoiceField
            key={finger}
            label={`${finger[0]?.toUpperCase()}${finger.slice(1)}${finger === 'thumb' ? '' : ' finger'}`}
            value={limits.fingers?.[finger] ?? 'usual'}
            options={careWords}
            onChange={(care) => {
              const { [finger]: _before, ...others } = limits.fingers ?? {}
              set({ fingers: care === 'usual' ? others : { ...others, [finger]: care } })
            }}
          />
        ))}
      </div>
      <p className="caption mt-3">A shorter reach</p>
      <div className="grid grid-cols-2 gap-x-4">
        {directions.map((direction) => (
          <TickField
            key={direction}
            checked={limits.shortReach?.includes(direction) === true}
            onChange={(isShort) =>
              set({
                shortReach: isShort
                  ? [...(limits.shortReach ?? []), direction]
                  : (limits.shortReach ?? []).filter((d) => d !== direction),
              })
            }
          >
            {directionWords[direction]}
          </TickField>
        ))}
      </div>
      <div className="mt-2">
        <TickField checked={limits.isWristStill === true} onChange={(isWristStill) => set({ isWristStill })}>
          The wrist is not to turn
        </TickField>
      </div>
      <p className="mt-2 text-[12px] text-ink-2">
        How much these cost is assumed. They say what you want of the chart, no more: no diagnosis, no advice.
      </p>
    </div>
  )
}
