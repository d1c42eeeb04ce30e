import { assign } from './assignment.js'
import { candidateTable } from './mover.js'
import { SlotState, type SlotProblem } from './slots.js'

/** Slots of each row at the start of the list that the greedy answer looks at before it looks at all. */
const greedyCandidates = 64

/**
 * A valid answer at once: rows that lose most by waiting choose first, each its cheapest slot that nobody holds. Fixed
 * rows stay at home.
 * @param weight  the order of choice, largest first
 */
export function greedyAnswer(problem: SlotProblem, weight: ArrayLike<number>): Int32Array {
  const { rows, slots, costs, fixed, initialSlot, unassignedCost } = problem
  const state = new SlotState(
    problem,
    Int32Array.from(initialSlot, (slot, i) => (fixed[i] === 1 ? slot : -1)),
  )
  const table = candidateTable(problem, undefined, greedyCandidates)
  const order = Array.from({ length: rows }, (_, i) => i)
    .filter((i) => fixed[i] === 0)
    .sort((a, b) => (weight[b] as number) - (weight[a] as number) || a - b)
  for (const i of order) {
    let best = -1
    let least = unassignedCost[i] as number
    for (let k = 0; k < greedyCandidates; k++) {
      const p = table[i * greedyCandidates + k] as number
      if (p === -1) break
      const cost = costs[i * slots + p] as number
      if (cost >= least) break
      if (state.inTheWay(i, p) !== -1) continue
      best = p
      least = cost
      break
    }
    if (best === -1 && unassignedCost[i] === Infinity)
      for (let p = 0; p < slots; p++) {
        const cost = costs[i * slots + p] as number
        if (cost < least && state.inTheWay(i, p) === -1) {
          best = p
          least = cost
        }
      }
    if (best !== -1) state.shift(i, best)
  }
  return state.slotOf
}

export interface LinearAnswer {
  readonly slotOf: Int32Array
  /** what each slot is worth to the rows that compete for it, 0 or more: minus the dual values */
  readonly slotPrice: Float64Array
}

/**
 * The least-cost answer without pair terms and flows, group by group: rows of one group do not share slots, and groups
 * do not see each other. Fixed rows and their rivals are left out of the choice.
 * @param groups  rows that compete for slots
 */
export function linearAnswer(problem: SlotProblem, groups: readonly (readonly number[])[]): LinearAnswer {
  const { rows, slots, costs, fixed, initialSlot, unassignedCost } = problem
  const slotOf = Int32Array.from({ length: rows }, (_, i) =>
    fixed[i] === 1 ? (initialSlot[i] as number) : -1,
  )
  const state = new SlotState(problem, slotOf)
  const slotPrice = new Float64Array(slots)
  for (const group of groups) {
    const open = group.filter((i) => fixed[i] === 0)
    if (open.length === 0) continue
    // every row has a column of its own for having no slot, so that an answer always exists
    const columns = slots + open.length
    const matrix = new Float64Array(open.length * columns).fill(forbidden)
    open.forEach((i, r) => {
      for (let p = 0; p < slots; p++) {
        const cost = costs[i * slots + p] as number
        if (cost !== Infinity && state.inTheWay(i, p) === -1) matrix[r * columns + p] = cost
      }
      if (unassignedCost[i] !== Infinity) matrix[r * columns + slots + r] = unassignedCost[i] as number
    })
    const { columnOf, columnDual } = assign(matrix, open.length, columns)
    open.forEach((i, r) => {
      const column = columnOf[r] as number
      const possible = column < slots && (matrix[r * columns + column] as number) < forbidden
      slotOf[i] = possible ? column : -1
    })
    for (let p = 0; p < slots; p++)
      slotPrice[p] = Math.max(slotPrice[p] as number, -(columnDual[p] as number))
    state.reset(slotOf)
  }
  return { slotOf: withoutRivals(problem, slotOf), slotPrice }
}

/** More than any real cost, and finite, as the assignment asks. */
const forbidden = 1e12

/** The assignment knows no rival slots: a row that came onto one is left without, for the search to place. */
function withoutRivals(problem: SlotProblem, slotOf: Int32Array): Int32Array {
  const state = new SlotState(problem, slotOf)
  for (let i = 0; i < problem.rows; i++) {
    const p = state.slotOf[i] as number
    if (p < 0 || problem.fixed[i] === 1 || problem.unassignedCost[i] === Infinity) continue
    if (state.inTheWay(i, p) !== -1) state.shift(i, -1)
  }
  return state.slotOf
}
