import { isKeyboard, setHome, setSide, type HandSide } from '@reach-plot/core'
import { SelectField } from '../../parts/fields.js'
import { SpanField } from '../../parts/span-field.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Forms of devices that a hand can rest on, beside keyboards. */
const restForms: ReadonlySet<string> = new Set(['keypad', 'pad', 'other'])

/** The hand that stays on the keys: which, where, and how large. */
export function HandStep() {
  const plan = usePlan()
  const edit = useEdit()
  const { hand, bench } = useDerived()
  const homes = bench.devices.flatMap((placed) => {
    const device = plan.devices.find((d) => d.id === placed.deviceId)
    const canRest = device && (isKeyboard(device) || (device.kind === 'drawn' && restForms.has(device.form)))
    return device && canRest ? [{ id: device.id, name: device.name }] : []
  })
  return (
    <>
      <p className="mt-1 text-ink-2">The one that stays there while the other holds the mouse or the pen.</p>
      <div role="radiogroup" aria-label="Hand on the keys" className="mt-4 flex gap-2.5">
        {(['left', 'right'] as const).map((side: HandSide) => (
          <label
            key={side}
            className={`flex w-[150px] cursor-pointer items-center gap-2 border px-4 py-3 ${hand.side === side ? 'border-2 border-ink bg-reach-1 px-[15px] py-[11px] font-semibold' : 'border-rule bg-panel'}`}
          >
            <input
              type="radio"
              name="start-side"
              className="accent-(--magenta)"
              checked={hand.side === side}
              onChange={() => edit((before) => setSide(before, side))}
            />
            {side === 'left' ? 'Left hand' : 'Right hand'}
          </label>
        ))}
      </div>
      {homes.length > 1 && (
        <div className="mt-5 max-w-[310px]">
          <SelectField
            label="It rests on"
            value={hand.deviceId}
            choices={homes}
            onChange={(id) => edit((before) => setHome(before, id))}
          />
        </div>
      )}
      <div className="mt-5 max-w-[420px]">
        <label htmlFor="start-span" className="caption">
          How large it is
        </label>
        <SpanField id="start-span" />
      </div>
      <p className="mt-4 max-w-[460px] text-ink-2">
        Measure it with a ruler when you can: spread the hand wide, from the tip of the thumb to the tip of
        the little finger. Your own pace can be measured later, under Bench, Hand.
      </p>
    </>
  )
}
