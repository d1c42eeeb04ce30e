import { scaleLinear } from 'd3'
import { triggerName } from '@reach-plot/core'
import { readRecord, writeRecord, type MeasuredTimes } from '@reach-plot/core/practice'
import { download, chooseFile } from '../../parts/download.js'
import { howMany } from '../../parts/words.js'
import { toast } from '../../store/message.js'
import { joinAnswers } from '../../store/practice-store.js'
import { showProblem } from '../../store/problem.js'
import { OwnPart } from './own-part.js'
import { WorkPart } from './work-part.js'
import type { LearnScreen } from './use-learn.js'

/** What the answers say: measured against predicted times, what is mixed up, what comes in the next days. */
export function MeasuredSide({ view }: { view: LearnScreen }) {
  const { measured, confusions, derived, commandOf, today, answers } = view
  return (
    <aside
      aria-label="What the answers say"
      className="side w-[300px] shrink-0 overflow-y-auto border-l border-rule bg-panel px-[14px] py-3 max-[1100px]:w-[240px]"
    >
      <h3 className="caption">Predicted and measured</h3>
      <Scatter measured={measured} nameOf={(id) => commandOf(id)?.name ?? id} />
      <Pace measured={measured} />
      <h3 className="caption mt-4">Mixed up</h3>
      {confusions.length === 0 && <p className="mt-1 text-ink-2">No key was pressed for another twice.</p>}
      <ul>
        {confusions.slice(0, 6).map((c) => (
          <li
            key={`${c.commandId} ${triggerName(c.asked, derived.env)} ${triggerName(c.pressed, derived.env)}`}
            className="flex justify-between gap-2 border-b border-rule py-1.5"
          >
            <span>
              <b>{triggerName(c.pressed, derived.env)}</b> for {triggerName(c.asked, derived.env)},{' '}
              {commandOf(c.commandId)?.name ?? c.commandId}{' '}
              <button type="button" className="link" onClick={() => view.showPlaces(c.commandId)}>
                Other places
              </button>
            </span>
            <span
              className="whitespace-nowrap tabular-nums"
              title={`Between ${Math.round(100 * c.chance.low)} and ${Math.round(100 * c.chance.high)} of a hundred, nine times of ten`}
            >
              {c.times} of {c.of}
            </span>
          </li>
        ))}
      </ul>
      <WorkPart view={view} />
      <OwnPart view={view} />
      {today && <Forecast counts={today.forecast} />}
      <h3 className="caption mt-4">Your record</h3>
      <p className="mt-1 text-ink-2">
        {answers === null
          ? 'being read …'
          : `${howMany(answers.length, 'answer', 'answers')}, kept in this browser beside the plan.`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn"
          disabled={!answers || answers.length === 0}
          onClick={() => save(view)}
        >
          Save as a file
        </button>
        <button type="button" className="btn" disabled={answers === null} onClick={() => void readFile()}>
          Add from a file…
        </button>
      </div>
    </aside>
  )
}

const save = ({ answers, plan }: LearnScreen): void =>
  download(writeRecord(answers ?? []), `${plan.name} practice.jsonl`, 'application/jsonl')

async function readFile(): Promise<void> {
  const file = await chooseFile('.jsonl,application/jsonl')
  if (!file) return
  try {
    const { answers, bad } = readRecord(await file.text())
    const added = await joinAnswers(answers)
    toast(
      `${howMany(added, 'answer was', 'answers were')} added.${bad.length > 0 ? ` ${howMany(bad.length, 'line is no answer', 'lines are no answers')}; the first is line ${bad[0]?.line}.` : ''}`,
    )
  } catch (error) {
    showProblem(error)
  }
}

const width = 266
const height = 210
const inset = { left: 34, right: 8, top: 10, bottom: 28 }

function Scatter({
  measured: { triggers },
  nameOf,
}: {
  measured: MeasuredTimes
  nameOf: (id: string) => string
}) {
  if (triggers.length === 0)
    return <p className="mt-1 text-ink-2">A key shows here once it was right three times.</p>
  const most = Math.max(400, ...triggers.flatMap((t) => [t.predictedMs, t.measuredMs]))
  const x = scaleLinear([0, most], [inset.left, width - inset.right]).nice(3)
  const y = scaleLinear([0, most], [height - inset.bottom, inset.top]).nice(3)
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="mt-1 w-full"
      role="img"
      aria-label={`${triggers.length} keys, measured against predicted time, ms: ${triggers
        .slice(0, 12)
        .map((t) => `${nameOf(t.commandId)} ${Math.round(t.measuredMs)} against ${Math.round(t.predictedMs)}`)
        .join('; ')}`}
    >
      <line x1={x(0)} y1={y(0)} x2={x(most)} y2={y(most)} stroke="var(--ink-2)" strokeDasharray="4 3" />
      <path d={`M${x(0)} ${inset.top}V${y(0)}H${width - inset.right}`} fill="none" stroke="var(--edge)" />
      {x.ticks(3).map((tick) => (
        <g key={tick} fontSize={11} fill="var(--ink-2)">
          <text x={x(tick)} y={height - 14} textAnchor="middle">
            {tick}
          </text>
          {tick > 0 && (
            <text x={inset.left - 5} y={y(tick) + 4} textAnchor="end">
              {tick}
            </text>
          )}
        </g>
      ))}
      <text x={width - inset.right} y={height - 1} textAnchor="end" fontSize={11} fill="var(--ink-2)">
        predicted, ms
      </text>
      <text x={inset.left + 5} y={inset.top + 8} fontSize={11} fill="var(--ink-2)">
        measured, ms
      </text>
      {triggers.map((t) => (
        <circle
          key={`${t.commandId} ${JSON.stringify(t.trigger)}`}
          cx={x(t.predictedMs)}
          cy={y(Math.max(0, t.measuredMs))}
          r={3}
          fill="var(--reach-4)"
          stroke="var(--contour)"
          strokeWidth={0.6}
        >
          <title>{`${nameOf(t.commandId)}: ${Math.round(t.measuredMs)} ms measured, ${Math.round(t.predictedMs)} predicted, ${t.answers} answers`}</title>
        </circle>
      ))}
    </svg>
  )
}

const signed = (share: number): string => String(Math.round(100 * share)).replace('-', '−')
const percent = (share: number): string => `${Math.round(Math.abs(100 * share))} %`

function Pace({ measured: { longer, recallMs, triggers } }: { measured: MeasuredTimes }) {
  if (triggers.length === 0) return null
  return (
    <p className="mt-1 text-ink-2">
      Reading and recalling take you {Math.round(recallMs / 10) * 10} ms; that is taken off here.{' '}
      {longer
        ? `Your presses take ${percent(longer.mean)} ${longer.mean < 0 ? 'less' : 'longer'} than predicted, between ${signed(longer.low)} and ${signed(longer.high)} % nine times of ten.`
        : 'Eight keys have to be known before your pace can be told.'}
    </p>
  )
}

/** How many keys come back on each of the next days. */
function Forecast({ counts }: { counts: readonly number[] }) {
  const most = Math.max(1, ...counts)
  return (
    <>
      <h3 className="caption mt-4">To come back, the next two weeks</h3>
      <svg
        viewBox="0 0 266 74"
        className="mt-1 w-full"
        role="img"
        aria-label={`By day from today: ${counts.join(', ')}`}
      >
        {counts.map((n, day) => (
          <g key={day}>
            <rect
              x={day * 19}
              y={56 - (36 * n) / most}
              width={14}
              height={(36 * n) / most}
              fill="var(--reach-3)"
            />
            {n > 0 && (
              <text
                x={day * 19 + 7}
                y={53 - (36 * n) / most}
                textAnchor="middle"
                fontSize={11}
                fill="var(--ink)"
              >
                {n}
              </text>
            )}
          </g>
        ))}
        <line x1={0} x2={266} y1={56} y2={56} stroke="var(--edge)" />
        <text x={0} y={70} fontSize={11} fill="var(--ink-2)">
          today
        </text>
        <text x={266} y={70} textAnchor="end" fontSize={11} fill="var(--ink-2)">
          in 13 days
        </text>
      </svg>
    </>
  )
}
