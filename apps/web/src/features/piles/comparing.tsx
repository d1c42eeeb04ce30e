import { useEffect, useRef, type KeyboardEvent } from 'react'
import { fullName } from '@reach-plot/core'
import { NumberBox } from '../../parts/number-box.js'
import { useComparing, type ComparingView } from './use-comparing.js'

/** How often, by asking which of two commands is used more. */
export function ComparingView() {
  const view = useComparing()
  if (!view.hasCommands) return <p className="mt-2 text-ink-2">No commands yet. Bring some in first.</p>
  return (
    <div className="mt-2 grid max-w-[980px] grid-cols-[minmax(0,1fr)_320px] gap-8 max-[900px]:grid-cols-1">
      {view.isBegun ? view.pair ? <Question view={view} /> : <Ends view={view} /> : <Begin view={view} />}
      <Order view={view} />
    </div>
  )
}

function Begin({ view: { count, start } }: { view: ComparingView }) {
  return (
    <div>
      <p className="text-ink-2">
        Two commands at a time: which of them do you use more? {count} commands of the program in use are put
        into an order by about {Math.round(count * Math.log2(count) * 0.8)} answers, which is easier to say
        than figures.
      </p>
      <button type="button" className="btn btn-main mt-3" onClick={start}>
        Begin comparing
      </button>
    </div>
  )
}

function Question({ view: { pair, left, answer, back, canGoBack, giveUp } }: { view: ComparingView }) {
  const board = useRef<HTMLDivElement>(null)
  useEffect(() => board.current?.focus(), [])
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== board.current) return
    if (event.key === 'ArrowLeft' || event.key === '1') answer(true)
    else if (event.key === 'ArrowRight' || event.key === '2') answer(false)
    else if (event.key === 'ArrowUp' || event.key === 'Backspace') back()
    else return
    event.preventDefault()
  }
  return (
    <div>
      {/* the keys are taken here, and each answer is a button as well */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
      <div
        ref={board}
        role="application"
        aria-label="Which is used more: arrow left or 1 for the first, arrow right or 2 for the second, arrow up to go back"
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        className="border border-rule bg-panel px-6 py-5 outline-offset-2"
        onKeyDown={onKeyDown}
      >
        <p className="caption">Which do you use more? · {left} left</p>
        <div className="mt-3 grid grid-cols-2 gap-4">
          {pair?.map((command, i) => (
            <button
              key={i}
              type="button"
              tabIndex={-1}
              className="btn flex h-auto min-h-16 flex-col items-start gap-1 px-3 py-2 text-left"
              onClick={() => answer(i === 0)}
            >
              <span className="caption">{i === 0 ? '← first' : 'second →'}</span>
              <span className="text-[18px] font-semibold">{command ? fullName(command) : ''}</span>
            </button>
          ))}
        </div>
      </div>
      <div className="mt-3 flex gap-2">
        <button type="button" className="btn" disabled={!canGoBack} onClick={back}>
          One back
        </button>
        <button type="button" className="btn" onClick={giveUp}>
          Give up
        </button>
      </div>
    </div>
  )
}

/** The two ends of the order, from which all rates come. */
function Ends({ view }: { view: ComparingView }) {
  const { order, most, setMost, leastPerDay, setLeastPerDay, take, giveUp } = view
  return (
    <div>
      <p>All are in order. How often are the first and the last?</p>
      <div className="mt-3 grid w-[420px] gap-3">
        <NumberBox
          label={`“${order[0]?.name ?? ''}”, times an hour`}
          value={most}
          min={0.01}
          max={5000}
          onChange={setMost}
        />
        <NumberBox
          label={`“${order.at(-1)?.name ?? ''}”, times a day`}
          value={leastPerDay}
          min={0.01}
          max={5000}
          onChange={setLeastPerDay}
        />
      </div>
      <div className="mt-4 flex gap-2">
        <button type="button" className="btn btn-main" onClick={take}>
          Take these rates
        </button>
        <button type="button" className="btn" onClick={giveUp}>
          Give up
        </button>
      </div>
    </div>
  )
}

function Order({ view: { order, rates, pair } }: { view: ComparingView }) {
  return (
    <ol aria-label="The order so far" className="max-h-[440px] overflow-y-auto border border-rule bg-panel">
      {order.length === 0 && <li className="px-3 py-1 text-ink-2">The order comes here, most used first.</li>}
      {order.map((c, i) => (
        <li key={c.id} className="flex items-baseline gap-2 border-b border-rule px-3 py-1 last:border-b-0">
          <span className="w-5 text-right text-ink-2">{i + 1}</span>
          <span className="min-w-0 grow truncate">{fullName(c)}</span>
          {pair === null && <span className="text-[12px] text-ink-2">{rates[i]?.usesPerHour}/h</span>}
        </li>
      ))}
    </ol>
  )
}
