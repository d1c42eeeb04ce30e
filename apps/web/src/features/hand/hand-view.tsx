import {
  fingerCapacity,
  fingers,
  fittsMsPerBit,
  pressMs,
  tappingCapacity,
  verdictLimits,
} from '@reach-plot/core'
import { SpanField } from '../../parts/span-field.js'
import { useDerived } from '../../store/selectors.js'
import { AskReach } from './ask-reach.js'
import { Calibrate } from './calibrate.js'
import { OwnLimitsForm } from './own-limits.js'

const tenth = (effort: number): number => Math.round(effort * 100) / 100

/** The hand on the keys: its span, its fingers, its own constants, and what the model leaves out. */
export function HandView() {
  const { hand } = useDerived()
  const { fit } = hand
  return (
    <div className="grid min-h-0 grow grid-cols-[380px_minmax(0,1fr)] gap-x-8 overflow-y-auto max-[900px]:grid-cols-1 px-5 pt-4 pb-6">
      <section aria-labelledby="hand-constants">
        <h3 id="hand-constants" className="caption border-b border-ink pb-1">
          The {hand.side} hand
        </h3>
        <label htmlFor="hand-span" className="mt-3 block">
          Hand span
        </label>
        <SpanField id="hand-span" />
        <p className="text-[12px] text-ink-2">Comfort radii and spans between fingers grow with it.</p>
        <table className="mt-4 w-full">
          <thead>
            <tr className="caption border-b border-rule text-left">
              <th className="py-1 font-medium">Finger</th>
              <th className="text-right font-medium">Taps in a trial</th>
              <th className="text-right font-medium">Capacity</th>
              <th className="text-right font-medium">ms a bit</th>
            </tr>
          </thead>
          <tbody>
            {fingers.map((finger) => (
              <tr key={finger} className="border-b border-rule">
                <td className="py-1 font-semibold">{finger}</td>
                <td className="text-right">
                  {finger === 'thumb' ? '–' : tappingCapacity[hand.side][finger]}
                </td>
                <td className="text-right">{Math.round(fingerCapacity(hand.side, finger) * 100)} %</td>
                <td className="text-right">
                  {Math.round((fit?.msPerBit ?? fittsMsPerBit) * (fit?.fingerFactors[finger] ?? 1))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-2 text-[13px] text-ink-2">
          {fit
            ? `Your own constants, from ${fit.presses} presses: a press takes ${Math.round(fit.pressMs)} ms.`
            : `An average hand: a press takes ${pressMs} ms.`}{' '}
          Taps by Hoke (1922), which did not measure the thumb: it counts as the index finger.
        </p>
        <h3 className="caption mt-5 border-b border-ink pb-1">What the words mean</h3>
        <dl className="mt-2 grid grid-cols-[76px_1fr] gap-x-3 gap-y-1">
          <dt className="font-semibold">at rest</dt>
          <dd>under a resting fingertip</dd>
          <dt className="font-semibold">easy</dt>
          <dd>comfortable: effort up to {tenth(verdictLimits.easy * (hand.reach?.easy ?? 1))}</dd>
          <dt className="font-semibold">a stretch</dt>
          <dd>stretched: effort up to {tenth(verdictLimits.stretch * (hand.reach?.stretch ?? 1))}</dd>
          <dt className="font-semibold">must move</dt>
          <dd>the hand leaves, or two fingers are asked for more than their largest span</dd>
        </dl>
        <p className="mt-3 text-[13px] text-ink-2">
          The palm’s turn puts the wrist in one of RULA’s bands: in line, turned to 15°, or beyond. Fatigue is
          not modelled: the hundredth press counts as the first. All of this is a screening aid, no medical
          advice.
        </p>
      </section>
      <section aria-labelledby="hand-fit">
        <h3 id="hand-fit" className="caption border-b border-ink pb-1">
          Your own pace
        </h3>
        <div className="mt-3">
          <Calibrate />
        </div>
        <h3 className="caption mt-6 border-b border-ink pb-1">Your own reach</h3>
        <div className="mt-3">
          <AskReach />
        </div>
        <h3 className="caption mt-6 border-b border-ink pb-1">What you spare your hand</h3>
        <OwnLimitsForm />
      </section>
    </div>
  )
}
