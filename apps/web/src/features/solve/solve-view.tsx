import { howMany } from '../../parts/words.js'
import { keepAsArrangement } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { placementsWith, startSolving, useSolve } from '../../store/solve-store.js'
import type { SolvedPlan } from '../../worker/solve-protocol.js'
import { AskForm } from './ask-form.js'
import { Before } from './before.js'
import { CurvePlot } from './curve-plot.js'
import { FirstList } from './first-list.js'
import { LoadPlot } from './load-plot.js'
import { MoveTable } from './move-table.js'
import { PayBackPlot } from './pay-back-plot.js'
import { ProgressPanel } from './progress-panel.js'
import { useMoves, type MovesView, shownKinds } from './use-moves.js'

const shownNames: Readonly<Record<(typeof shownKinds)[number], string>> = {
  proposed: 'What is proposed',
  all: 'Unsure ones, too',
  sure: 'Those that are sure',
  place: 'Commands that had no key',
  move: 'Commands that move',
  'let go': 'Keys to give up',
}

/** Proposes a better arrangement, as moves to be applied one by one, by group, or whole. */
export function SolveView() {
  const { commands } = usePlan()
  const running = useSolve((s) => s.running)
  const solved = useSolve((s) => s.solved)
  const first = useSolve((s) => s.first)
  return (
    <>
      <aside
        aria-label="What to solve"
        className="side flex w-[304px] shrink-0 flex-col gap-4 overflow-y-auto border-r border-rule px-4 py-3"
      >
        <h2 className="title">Solve</h2>
        <AskForm disabled={running !== null} />
        {running ? (
          <ProgressPanel progress={running} />
        ) : (
          <button
            type="button"
            className="btn btn-main"
            disabled={commands.length === 0}
            onClick={() => void startSolving()}
          >
            {solved ? 'Look again' : 'Look for a better arrangement'}
          </button>
        )}
        {solved && <Result solved={solved} />}
      </aside>
      {solved ? (
        <Moves solved={solved} />
      ) : running && first.length > 0 ? (
        <FirstList moves={first} />
      ) : (
        <Before />
      )}
    </>
  )
}

function Result({ solved }: { solved: SolvedPlan }) {
  const setAsk = useSolve((s) => s.setAsk)
  const ask = useSolve((s) => s.ask)
  const { before, after, clashesLeft } = solved
  const saved = before.minutesPerDay - after.minutesPerDay
  const above = (counts: Readonly<Record<string, number>>): number =>
    (counts['blocks'] ?? 0) + (counts['shadows'] ?? 0) + (counts['ambiguous'] ?? 0)
  return (
    <section aria-label="What it would bring" className="flex flex-col gap-3 border-t border-rule pt-3">
      <table className="w-full">
        <thead>
          <tr className="caption">
            <th scope="col" className="text-left font-medium">
              all moves
            </th>
            <th scope="col" className="text-right font-medium">
              now
            </th>
            <th scope="col" className="text-right font-medium">
              then
            </th>
          </tr>
        </thead>
        <tbody>
          <tr className="border-t border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              Command time a day
            </th>
            <td className="text-right">{before.minutesPerDay.toFixed(1)}</td>
            <td className="text-right font-semibold">{after.minutesPerDay.toFixed(1)} min</td>
          </tr>
          <tr className="border-t border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              Clashes that need an answer
            </th>
            <td className="text-right">{above(before.clashes)}</td>
            <td className="text-right font-semibold">{above(after.clashes)}</td>
          </tr>
        </tbody>
      </table>
      <p>
        <b>{saved.toFixed(1)} min</b> a day less,{' '}
        {((100 * saved) / Math.max(0.1, before.minutesPerDay)).toFixed(0)} % of the time that commands take.
      </p>
      {clashesLeft.length > 0 && (
        <details>
          <summary className="min-h-6 cursor-pointer">
            {clashesLeft.length} clash{clashesLeft.length === 1 ? '' : 'es'} left, of what stays
          </summary>
          <ul className="mt-1 list-disc pl-4 text-ink-2">
            {clashesLeft.slice(0, 40).map((c) => (
              <li key={c.id}>{c.message}</li>
            ))}
          </ul>
        </details>
      )}
      <CurvePlot
        curve={solved.curve}
        beforeMs={solved.beforeMs}
        chosen={ask.isLimited ? ask.mostMoves : null}
        onChoose={(mostMoves) => {
          setAsk({ isLimited: true, mostMoves })
          void startSolving()
        }}
      />
      <LoadPlot load={solved.load} beforeMs={solved.beforeMs} />
      <PayBackPlot payBack={solved.payBack} />
    </section>
  )
}
const seconds = (ms: number): string => (ms / 1000).toFixed(1).replace('-', '−')

function Moves(props: { solved: SolvedPlan }) {
  const view = useMoves(props)
  const { moves, taken, plan, grouped, take, solved, arrangement, arrangementId, listed, list } = view
  const sumOf = (of: typeof moves): number => of.reduce((sum, m) => sum + m.partMs, 0)
  const wholeMs = sumOf(moves)
  const restMs = wholeMs - sumOf(listed)
  return (
    <section aria-label="Moves" className="flex min-w-0 grow flex-col">
      <MovesBody view={view} />
      {taken === null && (
        <p role="status" className="border-b border-rule bg-reach-1 px-[14px] py-2">
          {arrangement.id === arrangementId
            ? 'The arrangement has changed since. Undo brings it back, or look again from here.'
            : `These moves are for “${plan.arrangements.find((a) => a.id === arrangementId)?.name ?? 'an arrangement that is gone'}”. Open it to apply them, or look again from here.`}
        </p>
      )}
      <div
        ref={list}
        className="min-h-0 grow overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label="List of moves"
      >
        {listed.length === 0 ? (
          <p className="px-[14px] pt-4 text-ink-2">
            {moves.length === 0
              ? 'As far as the search sees, everything that may move stands well.'
              : 'No move of this kind.'}
          </p>
        ) : (
          <MoveTable solved={solved} moves={listed} taken={taken} grouped={grouped} onApply={take} />
        )}
      </div>
      <p className="shrink-0 border-t border-rule px-[14px] py-1 text-[12px] text-ink-2">
        Seconds an hour count time, ease and memory, by the plan’s weights, less what learning costs; they add
        up when the moves are made in this order. Sure: with all that it needs, a move gains in 9 of 10 draws
        of what is assumed.
        {restMs !== 0 && ` The moves that are not listed: ${seconds(restMs)} s an hour.`} All of them:{' '}
        {seconds(wholeMs)} s an hour.
      </p>
    </section>
  )
}

function MovesBody({ view }: { view: MovesView }) {
  const { moves, taken, shown, setShown, programId, setProgramId, plan, grouped, setGrouped } = view
  return (
    <div className="flex h-11 shrink-0 items-center gap-2 border-b border-rule bg-panel px-[14px]">
      <h3 className="text-[15px] font-semibold">
        {moves.length === 0 ? 'No move gains anything' : howMany(moves.length, 'move', 'moves')}
      </h3>
      {taken && taken.size > 0 && <span className="text-ink-2">{taken.size} applied</span>}
      <select
        className="field ml-2"
        aria-label="Which moves"
        value={shown}
        onChange={(e) => setShown(shownKinds.find((k) => k === e.target.value) ?? 'all')}
      >
        {shownKinds.map((kind) => (
          <option key={kind} value={kind}>
            {shownNames[kind]}
          </option>
        ))}
      </select>
      <select
        className="field"
        aria-label="Program of the moves"
        value={programId}
        onChange={(e) => setProgramId(e.target.value)}
      >
        <option value="">Every program</option>
        {plan.programs.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn"
        aria-pressed={grouped}
        title="Moves that need one another stand together"
        onClick={() => setGrouped(!grouped)}
      >
        In groups
      </button>
      <MoveActions view={view} />
    </div>
  )
}

function MoveActions({ view: { taken, open, take, moves, solved, navigate } }: { view: MovesView }) {
  return (
    <div className="ml-auto flex gap-2">
      <button
        type="button"
        className="btn"
        disabled={taken === null || open.length === 0}
        onClick={() => take(open.map((m) => m.id))}
      >
        Apply the {open.length} listed
      </button>
      <button
        type="button"
        className="btn"
        disabled={taken === null || moves.length === 0}
        onClick={() => {
          keepAsArrangement(
            placementsWith(
              solved,
              taken ?? new Set(),
              moves.map((m) => m.id),
            ),
          )
          void navigate('/compare')
        }}
      >
        Keep all as a new arrangement
      </button>
    </div>
  )
}
