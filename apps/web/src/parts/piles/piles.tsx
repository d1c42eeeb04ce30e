import { useEffect, useRef, type KeyboardEvent } from 'react'
import { fullName } from '@reach-plot/core'
import { usePiles, type Pile, type PilesView } from './use-piles.js'

/** How often without a log: one key a command sorts it into a pile. */
export function Piles() {
  const view = usePiles()
  const { commands, at, piles, sort, back, skip } = view
  const board = useRef<HTMLDivElement>(null)
  useEffect(() => board.current?.focus(), [])
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== board.current) return
    const pile = piles.find((p) => p.key === event.key)
    if (pile) sort(pile)
    else if (event.key === 'ArrowUp' || event.key === 'Backspace') back()
    else if (event.key === 'ArrowDown' || event.key === ' ') skip()
    else return
    event.preventDefault()
  }
  if (commands.length === 0) return <p className="mt-2 text-ink-2">No commands yet. Bring some in first.</p>
  const command = commands[at]
  return (
    <div className="mt-2 grid max-w-[980px] grid-cols-[minmax(0,1fr)_320px] gap-8 max-[900px]:grid-cols-1">
      <div>
        <p className="text-ink-2">
          Press 1 to 4 for each: the rest is found by comparing. Twenty are enough for a first proposal; a log
          or a count makes it exact later. All of it is a guess, and counts as one.
        </p>
        {/* the keys are taken here, and each pile is a button as well */}
        {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
        <div
          ref={board}
          role="application"
          aria-label="Sort into piles: 1 to 4, arrow up for the one before, arrow down to pass over"
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
          tabIndex={0}
          className="mt-3 border border-rule bg-panel px-6 py-5 outline-offset-2"
          onKeyDown={onKeyDown}
        >
          <p className="caption">
            {Math.min(at + 1, commands.length)} of {commands.length}
          </p>
          <p aria-live="polite" className="mt-1 truncate text-[26px] font-semibold">
            {command ? fullName(command) : 'All are sorted'}
          </p>
          <p className="h-5 text-ink-2">{command?.menu.join(' › ')}</p>
        </div>
        <div className="mt-3 flex gap-2">
          {piles.map((pile) => (
            <button
              key={pile.key}
              type="button"
              className="btn"
              disabled={!command}
              onClick={() => sort(pile)}
            >
              <b className="font-chart">{pile.key}</b> {pile.name}
            </button>
          ))}
        </div>
        <Figures view={view} />
      </div>
      <SortedList view={view} />
    </div>
  )
}

/** The figures behind the words, which can be set. */
function Figures({ view: { piles, rateOf, setUses } }: { view: PilesView }) {
  return (
    <table className="mt-5 w-[420px]">
      <caption className="caption pb-1 text-left">What the words stand for</caption>
      <tbody>
        {piles.map((pile: Pile) => (
          <tr key={pile.key} className="border-t border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              {pile.name}
            </th>
            <td className="w-[90px]">
              <input
                type="number"
                className="field w-[76px] text-right"
                aria-label={`Uses of what is used ${pile.name}, ${pile.unit === 'day' ? 'a day' : 'an hour'}`}
                min={0}
                max={5000}
                step="any"
                value={pile.uses}
                onChange={(e) => setUses(pile.key, Math.max(0, Number(e.target.value)))}
              />
            </td>
            <td className="text-ink-2">{pile.unit === 'day' ? 'times a day' : 'times an hour'}</td>
            <td className="w-[110px] text-right text-ink-2">{rateOf(pile)} an hour</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function SortedList({ view: { commands, sorted, at, goTo } }: { view: PilesView }) {
  return (
    <ol aria-label="Commands to sort" className="max-h-[440px] overflow-y-auto border border-rule bg-panel">
      {commands.map((c, i) => (
        <li key={c.id} className="border-b border-rule last:border-b-0">
          <button
            type="button"
            aria-current={i === at ? 'true' : undefined}
            className="flex w-full items-baseline gap-2 px-3 py-1 text-left aria-[current=true]:bg-ink aria-[current=true]:text-panel"
            onClick={() => goTo(i)}
          >
            <span className="min-w-0 grow truncate">{fullName(c)}</span>
            <span className="shrink-0 text-[12px] opacity-80">
              {sorted.get(c.id) ?? (c.usesPerHour > 0 ? `${c.usesPerHour}/h` : '')}
            </span>
          </button>
        </li>
      ))}
    </ol>
  )
}
