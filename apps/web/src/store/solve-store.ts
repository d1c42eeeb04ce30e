import {
  applyList,
  defaultMoves,
  triggerKey,
  usualDraws,
  withNeeds,
  type Placement,
  type ProposedMove,
  type SolveProgress,
  type CommandId,
  type ProgramId,
} from '@reach-plot/core'
import { proxy } from 'comlink'
import { toast } from './message.js'
import { create } from 'zustand'
import { showProblem } from './problem.js'
import { WorkerEnded } from '../worker/host.js'
import { endSolveService, solveService } from '../worker/solve-client.js'
import type { SolvedPlan } from '../worker/solve-protocol.js'
import { usePlanStore } from './plan-store.js'

/** What is asked of the solver; all limits hold together. */
export interface SolveAsk {
  readonly onlyUnplaced: boolean
  /** whether no more than `mostMoves` commands may move */
  readonly isLimited: boolean
  readonly mostMoves: number
  /** only this program, only this device; null for all */
  readonly programId: ProgramId | null
  readonly deviceId: string | null
  readonly seed: number
}

interface SolveState {
  readonly ask: SolveAsk
  readonly running: SolveProgress | null
  /** gains so far by share done, for the line of progress */
  readonly trail: readonly { readonly done: number; readonly gainMs: number }[]
  /** the first moves of an answer that is still worked on */
  readonly first: readonly ProposedMove[]
  readonly solved: SolvedPlan | null
  /** the bench and the arrangement that were solved */
  readonly arrangementId: string | null
  setAsk(change: Partial<SolveAsk>): void
}

export const useSolve = create<SolveState>()((set) => ({
  ask: {
    onlyUnplaced: false,
    isLimited: false,
    mostMoves: 25,
    programId: null,
    deviceId: null,
    seed: 1,
  },
  running: null,
  trail: [],
  first: [],
  solved: null,
  arrangementId: null,
  setAsk: (change) => set((s) => ({ ask: { ...s.ask, ...change } })),
}))

/** A run that was cancelled must not write over what came after it. */
let run = 0

export async function startSolving(): Promise<void> {
  const { plan } = usePlanStore.getState()
  const { ask } = useSolve.getState()
  if (!plan) return
  const own = ++run
  const waiting: SolveProgress = { phase: 'first answer', done: 0, gainMs: 0 }
  useSolve.setState({
    running: waiting,
    trail: [],
    first: [],
    solved: null,
    arrangementId: plan.activeArrangementId,
  })
  try {
    const solved = await solveService().solve(
      plan,
      {
        seed: ask.seed,
        moves: defaultMoves,
        curve: true,
        draws: usualDraws,
        scope: {
          what: ask.onlyUnplaced ? 'unplaced' : 'everything',
          ...(ask.isLimited && { mostMoves: ask.mostMoves }),
          ...(ask.programId !== null && { programId: ask.programId }),
          ...(ask.deviceId !== null && { deviceId: ask.deviceId }),
        },
      },
      proxy((progress: SolveProgress) => {
        if (own !== run) return
        useSolve.setState((s) => ({
          running: progress,
          first: progress.first ?? s.first,
          trail:
            progress.phase === 'improving'
              ? [...s.trail, { done: progress.done, gainMs: progress.gainMs }]
              : s.trail,
        }))
      }),
    )
    if (own === run) useSolve.setState({ solved, running: null })
  } catch (error) {
    if (own !== run) return
    useSolve.setState({ running: null })
    if (error instanceof WorkerEnded)
      toast.error('The search ended by itself; the browser may be short of memory. Nothing was changed.', {
        duration: 15_000,
        action: { label: 'Try again', onClick: () => void startSolving() },
      })
    else showProblem(error)
  }
}

/** Ends the search with the best answer so far. */
export const stopSolving = (): void => void solveService().stop()

/** Drops the search and what it has found. */
export function cancelSolving(): void {
  run++
  endSolveService()
  useSolve.setState({ running: null, trail: [], first: [] })
}

const nameOf = (p: { readonly commandId: CommandId; readonly trigger: Placement['trigger'] }): string =>
  `${p.commandId} ${triggerKey(p.trigger)}`

/** Which moves of an answer the arrangement has already; null when it has changed otherwise since. */
export function takenMoves(solved: SolvedPlan, placements: readonly Placement[]): ReadonlySet<number> | null {
  const now = new Set(placements.map(nameOf))
  const taken = new Set<number>()
  for (const move of solved.list.moves) {
    const isThere = move.to !== null && now.has(nameOf({ commandId: move.command.id, trigger: move.to }))
    const isGone = move.from === null || !now.has(nameOf({ commandId: move.command.id, trigger: move.from }))
    if (isGone && (move.to === null || isThere)) taken.add(move.id)
  }
  const expected = new Set(applyList(solved.placements, solved.rows, solved.list, taken).map(nameOf))
  const same = expected.size === now.size && [...now].every((name) => expected.has(name))
  return same ? taken : null
}

/** The placements when these moves, and all that they need, are taken beside those that are taken already. */
export const placementsWith = (
  solved: SolvedPlan,
  taken: ReadonlySet<number>,
  ids: Iterable<number>,
): Placement[] =>
  applyList(solved.placements, solved.rows, solved.list, [
    ...taken,
    ...withNeeds(solved.list, ids),
  ]) as Placement[]
