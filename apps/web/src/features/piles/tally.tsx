import { ExternalLink, Minus, Pause, Play, Printer, X } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import { fullName } from '@reach-plot/core'
import { CommandChooser } from '../../parts/command-chooser.js'
import { NumberBox } from '../../parts/number-box.js'
import { useTally, type TallyScreen } from './use-tally.js'

const clock = (ms: number): string =>
  `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`

/** Counts commands in real work: one key each, or strokes on a printed sheet that are typed in afterwards. */
export function TallyView({ isSmall = false }: { isSmall?: boolean }) {
  const view = useTally()
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== event.currentTarget) return
    if (view.isRunning && view.countKey(event.key)) event.preventDefault()
  }
  return (
    <div className={isSmall ? '' : 'mt-2 max-w-[760px]'}>
      {!isSmall && (
        <p className="text-ink-2 print:hidden">
          Work for about twenty minutes and press a command’s letter each time you use it, in a small window
          beside your work; or make strokes on a printed sheet and type the counts here. A count is surer than
          a guess: how sure goes into every saving.
        </p>
      )}
      <Controls view={view} isSmall={isSmall} />
      {/* the letters are taken here, and each row has buttons as well */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
      <div
        role="application"
        aria-label="Count by letters: a letter counts one, with Shift one less"
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        className="mt-3 border border-rule bg-panel outline-offset-2"
        onKeyDown={onKeyDown}
      >
        <Rows view={view} isSmall={isSmall} />
      </div>
      {!isSmall && view.canAdd && (
        <CommandChooser
          className="mt-3 w-[300px] print:hidden"
          label="Count another command"
          commands={view.others}
          value=""
          empty="Choose a command …"
          onChange={(id) => view.others.some((c) => c.id === id) && view.add(id)}
        />
      )}
    </div>
  )
}

function Controls({ view, isSmall }: { view: TallyScreen; isSmall: boolean }) {
  const { isRunning, start, pause, elapsedMs, rows, take, clear, minutes, setMinutes } = view
  const openSmall = (): void => void window.open('/tally', 'reach-plot-tally', 'width=340,height=560')
  return (
    <div className="mt-3 flex flex-wrap items-end gap-2 print:hidden">
      <button type="button" className="btn btn-main" onClick={isRunning ? pause : start}>
        {isRunning ? <Pause size={14} aria-hidden="true" /> : <Play size={14} aria-hidden="true" />}
        {isRunning ? 'Pause' : 'Count'}
      </button>
      <span role="timer" className="min-w-[52px] self-center font-chart text-[20px] font-semibold">
        {clock(elapsedMs)}
      </span>
      {!isSmall && (
        <>
          <button type="button" className="btn" onClick={openSmall}>
            <ExternalLink size={14} aria-hidden="true" /> In a small window
          </button>
          <button type="button" className="btn" onClick={() => window.print()}>
            <Printer size={14} aria-hidden="true" /> Print a sheet
          </button>
          <div className="w-[110px]">
            <NumberBox
              label="Minutes counted"
              value={Math.round(minutes * 10) / 10}
              min={0}
              max={600}
              onChange={setMinutes}
            />
          </div>
          <span className="ml-auto flex gap-2">
            <button type="button" className="btn" onClick={clear}>
              Begin again
            </button>
            <button
              type="button"
              className="btn btn-main"
              disabled={rows.every((r) => r.rate === null)}
              onClick={take}
            >
              Take these rates
            </button>
          </span>
        </>
      )}
    </div>
  )
}

function Rows({ view: { rows, count, setUses, drop }, isSmall }: { view: TallyScreen; isSmall: boolean }) {
  return (
    <table className="w-full">
      <thead>
        <tr className="caption text-left">
          <th className="w-[34px] py-1 pl-3 font-medium">Key</th>
          <th className="font-medium">Command</th>
          <th className="w-[96px] font-medium print:w-[55%]">Count</th>
          {!isSmall && <th className="w-[170px] font-medium print:hidden">An hour</th>}
          <th className="w-[64px] print:hidden">
            <span className="sr-only">Actions</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ command, key, uses, rate }) => (
          <tr key={command.id} className="border-t border-rule print:h-[9mm]">
            <td className="pl-3 font-chart text-[16px] font-semibold uppercase">{key}</td>
            <td className="py-0.5">
              <button
                type="button"
                className="w-full truncate text-left hover:underline"
                aria-label={`Count ${fullName(command)}`}
                onClick={() => count(command.id, 1)}
              >
                {fullName(command)}
              </button>
            </td>
            <td>
              <input
                type="number"
                className="field w-[72px] text-right print:hidden"
                aria-label={`Uses of ${fullName(command)}`}
                min={0}
                value={uses}
                onChange={(e) => setUses(command.id, Number(e.target.value))}
              />
            </td>
            {!isSmall && (
              <td className="text-ink-2 print:hidden">
                {rate
                  ? `${rate.usesPerHour < 10 ? rate.usesPerHour : Math.round(rate.usesPerHour)} give or take ${Math.round(100 * rate.rateSpread)} %`
                  : uses === 0
                    ? 'not counted'
                    : 'too short as yet'}
              </td>
            )}
            <td className="pr-2 text-right whitespace-nowrap print:hidden">
              <button
                type="button"
                className="p-1.5"
                aria-label={`One less of ${fullName(command)}`}
                disabled={uses === 0}
                onClick={() => count(command.id, -1)}
              >
                <Minus size={13} aria-hidden="true" />
              </button>
              {!isSmall && (
                <button
                  type="button"
                  className="p-1.5"
                  aria-label={`Do not count ${fullName(command)}`}
                  onClick={() => drop(command)}
                >
                  <X size={13} aria-hidden="true" />
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
