import type { Command } from '../commands/index.js'
import type { Trigger } from '../triggers/index.js'
import { timeOf, type ArrangementProblem } from './problem.js'
import type { SolveRow } from './rows.js'
import { SlotState } from './slots.js'
import { applyMoves, type Move, type Placed } from '../plan/index.js'

/** One command that gets a place, moves, or gives up a further place. */
export interface ProposedMove {
  /** number among the moves of the answer */
  readonly id: number
  readonly row: number
  readonly command: Command
  readonly kind: 'place' | 'move' | 'let go'
  readonly from: Trigger | null
  readonly to: Trigger | null
  /** moves that have to be made with it, since their commands stand in its way: itself, and theirs in turn */
  readonly needs: readonly number[]
  /** number of its group: moves that hang together by what they need */
  readonly group: number
  /** what it gains an hour, with all that it needs, alone against the arrangement as it is, ms */
  readonly gainMs: number
  /** of that, press time alone, with all that it needs; and of its command alone */
  readonly timeGainMs: number
  readonly ownTimeGainMs: number
  /** its part of the whole gain, when the moves are made in the order of the list, ms an hour: the parts add up */
  readonly partMs: number
}

/** The moves that lead from the arrangement to the answer. */
export interface MoveList {
  /** in the order in which they gain most when they are taken one after another */
  readonly moves: readonly ProposedMove[]
  /** gain an hour after the first move, the first two, …, ms */
  readonly gainsMs: readonly number[]
}

/** The way from the arrangement as it is to an answer, as a list of moves. */
export function movesTo(answer: ArrangementProblem, slotOf: ArrayLike<number>): MoveList {
  const { problem, rows, slots } = answer
  const { initialSlot } = problem
  const moving = Array.from({ length: problem.rows }, (_, i) => i).filter((i) => slotOf[i] !== initialSlot[i])
  const numberOf = new Map(moving.map((row, id) => [row, id]))
  const atHome = new SlotState(problem, initialSlot)
  const direct = moving.map((row) => inTheWay(atHome, row, slotOf[row] as number, numberOf))
  const needs = moving.map((_, id) => closure(id, direct))
  const groups = groupsOf(needs)
  const state = new SlotState(problem, initialSlot)
  const gainOf = (ids: readonly number[]): number => {
    let delta = 0
    for (const id of ids) delta += state.shift(moving[id] as number, slotOf[moving[id] as number] as number)
    for (const id of [...ids].reverse())
      state.shift(moving[id] as number, initialSlot[moving[id] as number] as number)
    return -delta
  }
  const triggerAt = (p: number): Trigger | null => slots[p]?.trigger ?? null
  const moves = moving.map((row, id): ProposedMove => {
    const own = needs[id] as readonly number[]
    const [from, to] = [initialSlot[row] as number, slotOf[row] as number]
    const { command } = rows[row] as SolveRow
    const gainMs = gainOf(own)
    const timeGainMs = own.reduce((sum, other) => {
      const r = moving[other] as number
      return rows[r]?.role === 'main'
        ? sum + timeOf(answer, r, initialSlot[r] as number) - timeOf(answer, r, slotOf[r] as number)
        : sum
    }, 0)
    return {
      id,
      row,
      command,
      kind: to < 0 ? 'let go' : from < 0 ? 'place' : 'move',
      from: triggerAt(from),
      to: triggerAt(to),
      needs: own,
      group: groups[id] as number,
      gainMs,
      timeGainMs,
      ownTimeGainMs: rows[row]?.role === 'main' ? timeOf(answer, row, from) - timeOf(answer, row, to) : 0,
      partMs: 0,
    }
  })
  return inOrder(moves, moving, slotOf, state)
}

/** Moves of the rows that stand where a row goes. */
function inTheWay(
  atHome: SlotState,
  row: number,
  p: number,
  numberOf: ReadonlyMap<number, number>,
): number[] {
  if (p < 0) return []
  const { rows, overlap, rivals } = atHome.problem
  const out: number[] = []
  const look = (q: number): void => {
    for (let j = atHome.first[q] as number; j !== -1; j = atHome.next[j] as number) {
      const id = numberOf.get(j)
      if (j !== row && (overlap[row * rows + j] as number) > 0 && id !== undefined) out.push(id)
    }
  }
  look(p)
  for (let k = rivals.start[p] as number; k < (rivals.start[p + 1] as number); k++)
    look(rivals.to[k] as number)
  return out
}

function closure(id: number, direct: readonly (readonly number[])[]): number[] {
  const found = new Set([id])
  for (const next of found) for (const other of direct[next] ?? []) found.add(other)
  return [...found]
}

/** Moves that need one another, or need the same, are one group; groups are numbered from 0. */
function groupsOf(needs: readonly (readonly number[])[]): number[] {
  const root = needs.map((_, id) => id)
  const find = (id: number): number => {
    let at = id
    while (root[at] !== at) at = root[at] as number
    return at
  }
  needs.forEach((list, id) => {
    for (const other of list) root[find(other)] = find(id)
  })
  const numbers = new Map<number, number>()
  return needs.map((_, id) => {
    const at = find(id)
    const known = numbers.get(at) ?? numbers.size
    numbers.set(at, known)
    return known
  })
}

/**
 * Each next move is the one that gains most for each move that it takes; what it needs comes with it. What a move gains is
 * worked out again when something that it hangs on was moved, and once it stands first: the load of the fingers hangs on
 * everything, but little.
 */
function inOrder(
  moves: readonly ProposedMove[],
  moving: readonly number[],
  slotOf: ArrayLike<number>,
  state: SlotState,
): MoveList {
  const { initialSlot } = state.problem
  const start = state.cost
  const left = new Set(moves.map((m) => m.id))
  const order: ProposedMove[] = []
  const gainsMs: number[] = []
  const shiftAll = (ids: readonly number[], to: ArrayLike<number>): number =>
    ids.reduce((sum, id) => sum + state.shift(moving[id] as number, to[moving[id] as number] as number), 0)
  const gains = new Float64Array(moves.length)
  const needed = (id: number): number[] => (moves[id] as ProposedMove).needs.filter((n) => left.has(n))
  const look = (id: number): void => {
    const ids = needed(id)
    gains[id] = -shiftAll(ids, slotOf) / ids.length
    shiftAll(ids.reverse(), initialSlot)
  }
  const dependents = dependentsOf(moves, moving, state)
  const firstOf = (): number => {
    let first = -1
    for (const id of left) if (first < 0 || (gains[id] as number) > (gains[first] as number)) first = id
    return first
  }
  for (const id of left) look(id)
  while (left.size > 0) {
    let first = firstOf()
    for (let looked = -1; first !== looked; first = firstOf()) look((looked = first))
    const taken = needed(first)
    for (const id of taken) {
      state.shift(moving[id] as number, slotOf[moving[id] as number] as number)
      left.delete(id)
      const before = gainsMs.at(-1) ?? 0
      gainsMs.push(start - state.cost)
      order.push({ ...(moves[id] as ProposedMove), partMs: start - state.cost - before })
    }
    const stale = new Set(taken.flatMap((id) => dependents[id] as readonly number[]))
    for (const id of stale) if (left.has(id)) look(id)
  }
  return { moves: order, gainsMs }
}

/** For each move those whose gain hangs on it: they need it, or need one whose row is linked to its row. */
function dependentsOf(
  moves: readonly ProposedMove[],
  moving: readonly number[],
  state: SlotState,
): readonly (readonly number[])[] {
  const idOf = new Map(moving.map((row, id) => [row, id]))
  const needing: number[][] = moves.map(() => [])
  for (const { id, needs } of moves) for (const other of needs) needing[other]?.push(id)
  return moves.map(({ id }) => {
    const out = new Set(needing[id])
    state.forLinked(moving[id] as number, (row) => {
      for (const other of needing[idOf.get(row) ?? -1] ?? []) out.add(other)
    })
    return [...out]
  })
}

/** The moves with all that they need, each once. */
export const withNeeds = (list: MoveList, ids: Iterable<number>): number[] => {
  const byId = new Map(list.moves.map((m) => [m.id, m]))
  return [...new Set([...ids].flatMap((id) => byId.get(id)?.needs ?? []))]
}

/** Placements after some moves of an answer, with all that they need. */
export function applyList<T extends Placed>(
  placements: readonly T[],
  rows: readonly SolveRow[],
  list: MoveList,
  ids: Iterable<number>,
): (T | Placed)[] {
  const byId = new Map(list.moves.map((m) => [m.id, m]))
  const moves = withNeeds(list, ids).map((id): Move => {
    const { row, command, to } = byId.get(id) as ProposedMove
    const { placement } = rows[row] as SolveRow
    const from = placement === null ? null : (placements[placement] as T).trigger
    return { commandId: command.id, from, to }
  })
  return applyMoves(placements, moves)
}
