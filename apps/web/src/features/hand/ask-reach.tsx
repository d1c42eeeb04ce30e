import { keyLegend, type Felt } from '@reach-plot/core'
import { askedCount, useAskReach, type AskReachView } from './use-ask-reach.js'

const feltWords: readonly (readonly [Felt, string, string])[] = [
  ['easy', 'Easy', 'the hand stays, no finger strains'],
  ['stretch', 'A stretch', 'it can be done without leaving'],
  ['away', 'My hand leaves', 'fingers lose the keys where they rest'],
]

/** Twenty-four chords, each asked for how it feels, from which the person's own reach is fitted. */
export function AskReach() {
  const view = useAskReach()
  const { state, answers, start, stop } = view
  switch (state.kind) {
    case 'busy':
      return (
        <div className="max-w-[520px]" role="status">
          <p>
            {state.what} … {Math.round(100 * state.share)} %
          </p>
          <progress className="mt-2 w-full" value={state.share} max={1} aria-label={state.what} />
          <button type="button" className="btn mt-2" onClick={stop}>
            Stop
          </button>
        </div>
      )
    case 'asking':
      return <Question view={view} chord={state.chord} />
    case 'fitted':
      return <Fitted view={view} />
    default:
      return (
        <div>
          <p className="max-w-[62ch]">
            {askedCount} chords come up one by one. Lay your hand on its keys, try each chord, and say how it
            feels. They are chosen so that each answer tells most about your hand; it takes about three
            minutes.
          </p>
          <OwnNow view={view} />
          <div className="mt-3 flex gap-2">
            {answers.length > 0 && (
              <button type="button" className="btn btn-main" onClick={() => start(false)}>
                Go on with question {answers.length + 1}
              </button>
            )}
            <button
              type="button"
              className={`btn ${answers.length > 0 ? '' : 'btn-main'}`}
              onClick={() => start(true)}
            >
              {answers.length > 0 || view.hand.reach ? 'Begin anew' : 'Begin'}
            </button>
          </div>
        </div>
      )
  }
}

function OwnNow({ view: { hand, drop } }: { view: AskReachView }) {
  const { reach } = hand
  if (!reach) return null
  const percent = (factor: number): string =>
    `${factor >= 1 ? '+' : '−'}${Math.abs(Math.round(100 * (factor - 1)))} %`
  return (
    <div className="mt-3">
      <p>
        Your own reach is in use, from {reach.answers} answers: it agrees with{' '}
        <b>{Math.round(100 * reach.agreement.after)} %</b> of them, the average hand with{' '}
        {Math.round(100 * reach.agreement.before)} %. Reach in all {percent(reach.radius)}, thumb{' '}
        {percent(reach.fingers.thumb)}, little finger {percent(reach.fingers.little)}, spans{' '}
        {percent(reach.span)}.
      </p>
      <button type="button" className="btn mt-2" onClick={drop}>
        Back to an average reach
      </button>
    </div>
  )
}

function Question({ view, chord }: { view: AskReachView; chord: readonly string[] }) {
  const { env, answers, answer, back, stop, enough } = view
  const legends = chord.map((id) => {
    const control = env.controls.find((c) => c.id === id)
    return control && control.code !== null
      ? keyLegend(control.code, env.layout, env.systemId)
      : (env.legends?.get(id) ?? id)
  })
  return (
    <div className="max-w-[560px]">
      <p className="caption">
        Chord {answers.length + 1} of {askedCount}
      </p>
      <p className="mt-2 font-chart text-[34px] leading-tight font-semibold" aria-live="polite">
        {legends.join(' + ')}
      </p>
      <ChordPicture view={view} chord={chord} />
      <div role="group" aria-label="How it feels" className="mt-4 flex gap-2.5">
        {feltWords.map(([felt, name, meaning]) => (
          <button
            key={felt}
            type="button"
            className="flex min-w-[160px] flex-col border border-rule bg-panel px-3 py-2 text-left hover:bg-reach-1"
            onClick={() => answer(felt)}
          >
            <b>{name}</b>
            <span className="text-[12px] text-ink-2">{meaning}</span>
          </button>
        ))}
      </div>
      <div className="mt-3 flex gap-2">
        <button type="button" className="btn" onClick={() => answer(null)}>
          Skip
        </button>
        <button type="button" className="btn" disabled={answers.length === 0} onClick={back}>
          One back
        </button>
        <button type="button" className="btn" disabled={answers.length < 8} onClick={enough}>
          That is enough
        </button>
        <button type="button" className="btn" onClick={stop}>
          Stop
        </button>
      </div>
    </div>
  )
}

/** The keys to press, on the device on which the hand rests. */
function ChordPicture({ view: { env, hand }, chord }: { view: AskReachView; chord: readonly string[] }) {
  const controls = env.controls.filter((c) => c.id.startsWith(`${hand.deviceId}/`))
  const x0 = Math.min(...controls.map((c) => c.xMm - c.widthMm / 2)) - 4
  const x1 = Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)) + 4
  const y0 = Math.min(...controls.map((c) => c.yMm - c.heightMm / 2)) - 4
  const y1 = Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)) + 4
  const rests = new Set<string>(Object.values(hand.rests).map((id) => `${hand.deviceId}/${id}`))
  return (
    <svg viewBox={`${x0} ${y0} ${x1 - x0} ${y1 - y0}`} className="mt-3 w-full" aria-hidden="true">
      {controls.map((c) => {
        const isAsked = chord.includes(c.id)
        const w = c.capWidthMm ?? c.widthMm
        const h = c.capHeightMm ?? c.heightMm
        return (
          <rect
            key={c.id}
            transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg ?? 0})`}
            x={-w / 2}
            y={-h / 2}
            width={w}
            height={h}
            rx={0.8}
            fill={isAsked ? 'var(--ink)' : rests.has(c.id) ? 'var(--reach-2)' : 'var(--key)'}
            stroke={isAsked ? 'var(--magenta)' : 'var(--edge)'}
            strokeWidth={isAsked ? 1.2 : 0.35}
          />
        )
      })}
    </svg>
  )
}

function Fitted({ view: { state, take, start } }: { view: AskReachView }) {
  if (state.kind !== 'fitted') return null
  const { reach, foretold } = state.fitted
  const percent = (share: number): string => `${Math.round(100 * share)} %`
  return (
    <div className="max-w-[62ch]">
      <p>
        From {reach.answers} answers. An average hand would have said <b>{percent(foretold.before)}</b> of
        them; your own fitted reach, with each answer foretold from the others,{' '}
        <b>{percent(foretold.after)}</b>.
      </p>
      {foretold.after < foretold.before && (
        <p className="mt-2 text-magenta">
          The average hand foretells your answers better. Your hand may differ in a way that the model has no
          word for; taking this over is not advised.
        </p>
      )}
      <div className="mt-3 flex gap-2">
        <button type="button" className="btn btn-main" onClick={take}>
          Use my own reach
        </button>
        <button type="button" className="btn" onClick={() => start(true)}>
          Begin anew
        </button>
      </div>
    </div>
  )
}
