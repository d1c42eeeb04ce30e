export { assign } from './assignment.js'
export { randomInts } from './random.js'
export { relationOf, slotCost, SlotState, type PairTerm, type SlotProblem } from './slots.js'
export { anneal } from './anneal.js'
export { greedyAnswer, linearAnswer } from './first-answer.js'
export { defaultMoves, searchSlots } from './search.js'
export { arrangementProblem, type ArrangementProblem } from './problem.js'
export type { SolveRow, SolveScope } from './rows.js'
export { applyList, withNeeds, type MoveList, type ProposedMove } from './moves.js'
export {
  defaultSolveOptions,
  solveArrangement,
  type SolveAnswer,
  type SolveOptions,
  type SolveProgress,
} from './solve.js'
export { moveReason } from './why.js'
export { type Confidence, type MoveDoubt } from './move-doubt.js'
export type { CurvePoint } from './few-moves.js'
export type { LoadPoint } from './load-curve.js'
