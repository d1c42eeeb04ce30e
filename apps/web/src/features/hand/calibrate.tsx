import { useMemo } from 'react'
import { CoreError, fitDrill, fitHand, handOnBench, keyControls, keyLegend, setFit } from '@reach-plot/core'
import { toast } from '../../store/message.js'
import { undoAction } from '../../store/actions.js'
import { useEdit } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { FitPlot } from './fit-plot.js'
import { useDrill } from './use-drill.js'

/** The trials so far, fitted once the test is over, or why they cannot be. */
function useFitted(state: ReturnType<typeof useDrill>[0]): ReturnType<typeof fitHand> | CoreError | null {
  const isDone = !state.running && state.trials.length > 0
  return useMemo(() => {
    if (!isDone) return null
    try {
      return fitHand(state.trials)
    } catch (error) {
      if (error instanceof CoreError) return error
      throw error
    }
  }, [isDone, state.trials])
}

/** The guided test: presses from rest on the real keyboard, fitted to the person's own constants. */
export function Calibrate() {
  const { hand, env } = useDerived()
  const presses = useMemo(() => fitDrill(handOnBench(hand), keyControls(env.controls)), [hand, env.controls])
  const [state, send] = useDrill(presses)
  const press = presses[state.at]
  const result = useFitted(state)
  if (presses.length === 0) {
    return (
      <p className="text-ink-2">
        The test needs a hand that rests on keys of a keyboard. Make a keyboard the home of the hand on the
        desk first.
      </p>
    )
  }
  if (state.running && press) {
    return (
      <PressNow
        press={press}
        of={presses.length}
        state={state}
        name={(code) => keyLegend(code, env.layout, env.systemId)}
        onStop={() => send({ type: 'stop' })}
      />
    )
  }
  return (
    <div>
      <p className="max-w-[62ch]">
        About two minutes: hold the key on which a finger rests, then press the key that is named, with the
        same finger, at your own pace. The time runs from letting go to pressing, so reading is not counted.
      </p>
      <StartButtons
        isAgain={result !== null || hand.fit !== undefined}
        onStart={() => send({ type: 'start' })}
      />
      {result instanceof CoreError && <p className="mt-3 text-magenta">{result.message}</p>}
      {result && !(result instanceof CoreError) && <FitResult result={result} trials={state.trials} />}
    </div>
  )
}

/** The press that is asked for. */
function PressNow({
  press,
  of,
  state,
  name,
  onStop,
}: {
  press: ReturnType<typeof fitDrill>[number]
  of: number
  state: ReturnType<typeof useDrill>[0]
  name: (code: string) => string
  onStop: () => void
}) {
  return (
    <div className="border-2 border-ink bg-panel p-5" role="group" aria-label="Guided test">
      <p className="caption">
        Press {state.at + 1} of {of} · {press.finger} finger
      </p>
      <p className="my-3 text-[22px]" aria-live="polite">
        Hold <span className="keycap px-2 text-[24px]">{name(press.restCode)}</span>, then{' '}
        {press.code === press.restCode ? 'press it again' : 'press'}{' '}
        {press.code !== press.restCode && <span className="keycap px-2 text-[24px]">{name(press.code)}</span>}{' '}
        with the same finger
      </p>
      <p className="h-5 text-magenta">{state.fault ?? (state.resting ? 'Now.' : '')}</p>
      <progress className="mt-2 w-full" value={state.at} max={of} aria-label="Progress" />
      <button type="button" className="btn mt-3" onClick={onStop}>
        Stop
      </button>
      <span className="ml-3 text-ink-2">or press Esc; what was pressed so far is fitted.</span>
    </div>
  )
}

function StartButtons({ isAgain, onStart }: { isAgain: boolean; onStart: () => void }) {
  const edit = useEdit()
  const { hand } = useDerived()
  return (
    <div className="mt-3 flex gap-2">
      <button type="button" className="btn btn-main" onClick={onStart}>
        {isAgain ? 'Measure again' : 'Start the test'}
      </button>
      {hand.fit && (
        <button
          type="button"
          className="btn"
          onClick={() => {
            edit((plan) => setFit(plan, null))
            toast('The hand counts as an average one again.', { action: undoAction() })
          }}
        >
          Go back to the average hand
        </button>
      )}
    </div>
  )
}

/** The fitted constants, against the presses they come from. */
function FitResult({
  result,
  trials,
}: {
  result: ReturnType<typeof fitHand>
  trials: ReturnType<typeof useDrill>[0]['trials']
}) {
  const edit = useEdit()
  const { fit, explained } = result
  return (
    <div className="mt-4">
      <FitPlot trials={trials} fitted={result} />
      <p className="mt-3">
        A press takes <b>{Math.round(fit.pressMs)} ms</b> and a bit of way{' '}
        <b>{Math.round(fit.msPerBit)} ms</b>; the lines explain <b>{Math.round(explained * 100)} %</b> of the
        spread of {fit.presses} presses, which lie {Math.round(fit.residualMs)} ms from them.
      </p>
      <button
        type="button"
        className="btn btn-main mt-3"
        onClick={() => {
          edit((plan) => setFit(plan, fit))
          toast('All times now use your own constants.', { action: undoAction() })
        }}
      >
        Use these constants
      </button>
    </div>
  )
}
