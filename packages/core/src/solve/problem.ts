import { isPointed } from '../clashes/index.js'
import type { Command, Program } from '../commands/index.js'
import { proposedSets, thereAndBackMs, triggerReach, type ChordReach } from '../hand/index.js'
import type { PlaceIndex } from '../model/index.js'
import {
  benchCandidates,
  candidate,
  handCostMs,
  meetingShares,
  pageFor,
  pointingAmount,
  type Candidate,
} from '../places/index.js'
import type { MenuKnowledge, Plan, Placed } from '../plan/index.js'
import { controlRefOf, triggerKey, type Trigger } from '../triggers/index.js'
import { menuLevels, menuMs } from '../work/index.js'
import { fingerLoad } from './finger-load.js'
import { rowFlows, rowPairs } from './row-links.js'
import {
  isLeftOut,
  isOnDevice,
  mayMove,
  solveRows,
  type ProblemInput,
  type SolveRow,
  type SolveScope,
  type SolveSlot,
} from './rows.js'
import { slotCosts, troubleMs } from './slot-costs.js'
import { slotRelations } from './slot-relations.js'
import { slotTravel } from './slot-travel.js'
import type { SlotProblem } from './slots.js'

/** An arrangement as rows (commands) and slots (places), with the costs of each pair. */
export interface ArrangementProblem {
  readonly problem: SlotProblem
  readonly rows: readonly SolveRow[]
  readonly slots: readonly SolveSlot[]
  readonly groups: readonly (readonly number[])[]
  /** uses an hour of each row, a little for those that are never used */
  readonly weight: Float64Array
  readonly menusKnown: MenuKnowledge
}

/** Uses an hour that a better place can serve: not those that the log shows through the menu although there is a key. */
const keyUses = ({ id, usesPerHour }: Command, { env }: PlaceIndex): number =>
  usesPerHour * (1 - (env.menuShares?.get(id) ?? 0))
/** A command that is never used still wants a good place a little. */
const leastUses = 0.1
/** Of the places of a program only this many times its commands are looked at, the easiest first; then all as easy. */
const slotsPerCommand = 1.6

/** The arrangement of a plan as rows and slots. */
export function arrangementProblem(input: ProblemInput, scope: SolveScope): ArrangementProblem {
  const { plan, index, situation, reachContext } = input.model
  const { placements } = input.model.arrangement
  const slotOf = slotMaker(input)
  const rows = solveRows(input, (trigger) => slotOf(trigger).handMs)
  const movable = rows.map((row) => row.role === 'main' && mayMove(row, input, scope))
  const programs = plan.programs.filter((p) =>
    rows.some((row, i) => movable[i] === true && row.command.programId === p.id),
  )
  const slots = solveSlots(input, programs, rows, scope, slotOf)
  const numberOf = new Map(slots.map((slot, p) => [slot.key, p]))
  const initialSlot = Int32Array.from(rows, ({ placement }) =>
    placement === null ? -1 : (numberOf.get(triggerKey((placements[placement] as Placed).trigger)) ?? -1),
  )
  const fixed = Uint8Array.from(rows, (row, i) =>
    movable[i] === true || (row.role === 'further' && mayMove(row, input, scope)) ? 0 : 1,
  )
  const weight = Float64Array.from(rows, ({ command, role }) =>
    role === 'main' ? Math.max(keyUses(command, index), leastUses) : 0,
  )
  const { costs, scores, unassignedCost } = slotCosts(input, rows, slots, {
    initialSlot,
    fixed,
    weight,
    scope,
  })
  return {
    problem: {
      rows: rows.length,
      slots: slots.length,
      costs,
      scores,
      unassignedCost,
      overlap: overlapsOf(rows, plan, weight, index),
      rivals: rivalsOf(slots, numberOf),
      pairs: rowPairs(rows, weight, index, plan.weights),
      relations: slotRelations(
        slots.map((s) => s.trigger),
        index.mnemonics.neighbours,
        positions(index),
        index.env,
      ),
      flows: rowFlows(rows, plan),
      travel: slotTravel(
        slots.map((s) => s.trigger),
        slots.map((s) => s.reach),
        situation,
        reachContext,
      ),
      ...loadOf(rows, slots, initialSlot, input),
      initialSlot,
      fixed,
    },
    rows,
    slots,
    groups: plan.programs.map((p) =>
      rows.flatMap(({ command, role }, i) => (role === 'main' && command.programId === p.id ? [i] : [])),
    ),
    weight,
    menusKnown: plan.menusKnown ?? 'usual',
  }
}

/** A slot of a trigger: what the hand pays for it. */
function slotMaker({ model: { plan, index, situation, reachContext } }: ProblemInput) {
  return (trigger: Trigger, at?: Candidate): SolveSlot => {
    const reach = triggerReach(trigger, reachContext) ?? unreachable
    const own = at ?? candidate(trigger, index)
    const pointing = pointingAmount(trigger, isPointed(trigger, index.pointing))
    return {
      candidate: own,
      trigger,
      key: own.key,
      reach,
      handMs: handCostMs(reach, situation.hand.side, plan.weights, pointing),
    }
  }
}

/** The load of the fingers, where it weighs anything. */
function loadOf(
  rows: readonly SolveRow[],
  slots: readonly SolveSlot[],
  initialSlot: Int32Array,
  { model: { plan, situation } }: ProblemInput,
): Pick<SlotProblem, 'load'> {
  const { loadMs } = plan.weights
  if (loadMs <= 0) return {}
  const uses = Float64Array.from(rows, ({ command, role }) => (role === 'main' ? command.usesPerHour : 0))
  return { load: fingerLoad(slots, uses, initialSlot, situation.hand.side, loadMs) }
}

const unreachable: ChordReach = {
  keys: [],
  verdict: 'away',
  effort: Infinity,
  stretch: Infinity,
  palmShiftMm: 0,
  turnDeg: 0,
  fingers: {},
  spanUse: Infinity,
  timeMs: Infinity,
  distanceMm: Infinity,
}

const positions = (index: PlaceIndex) => {
  const at = new Map(index.env.controls.map((c) => [c.code ?? c.id, c]))
  return (trigger: Trigger) => at.get(controlRefOf(trigger) ?? '')
}

/**
 * Taps, holds and pairs are told apart by what has a driver: pads, decks and pens. A keyboard's own keys tell none, and a
 * pointer's buttons are clicked twice by chance.
 */
const isOffered = ({ plain, deviceId, trigger }: Candidate, { pointing }: PlaceIndex): boolean =>
  plain || (deviceId !== null && !isPointed(trigger, pointing))

/** Where something may go, the easiest first for each program, and where something stands now. */
function solveSlots(
  { model: { index, arrangement } }: ProblemInput,
  programs: readonly Program[],
  rows: readonly SolveRow[],
  scope: SolveScope,
  slotOf: (trigger: Trigger, at?: Candidate) => SolveSlot,
): SolveSlot[] {
  const found = new Map<string, SolveSlot>()
  const sets = proposedSets(index.env.layout.altGraph)
  for (const program of programs) {
    const offered = benchCandidates(index, sets, (id) => pageFor(id, program.id, index.env))
      .filter((at) => isOffered(at, index) && at.reserved === null && !at.barred && !at.locked)
      .filter((at) => !isLeftOut(at.trigger, index))
      .filter((at) => scope.deviceId === undefined || isOnDevice(at.trigger, scope.deviceId, index))
      .map((at) => found.get(at.key) ?? slotOf(at.trigger, at))
      .filter((slot) => Number.isFinite(slot.handMs))
      .sort((a, b) => a.handMs - b.handMs || (a.key < b.key ? -1 : 1))
    const wanted = Math.ceil(rows.filter((r) => r.command.programId === program.id).length * slotsPerCommand)
    const limit = offered[Math.min(wanted, offered.length - 1)]?.handMs ?? 0
    // a place that recalls the name may be worth as much more as recalling is
    for (const slot of offered) if (slot.handMs <= limit + recallReach) found.set(slot.key, slot)
  }
  for (const { trigger } of arrangement.placements) {
    const key = triggerKey(trigger)
    if (!found.has(key)) found.set(key, slotOf(trigger))
  }
  return [...found.values()]
}
const recallReach = 150

/**
 * Rows that must not share a slot: commands that can be live together, and places of one command. Of the uses, only those
 * in contexts where both are live are lost.
 */
function overlapsOf(
  rows: readonly SolveRow[],
  { programs, weights }: Plan,
  weight: Float64Array,
  index: PlaceIndex,
) {
  const meets = meetingShares(programs, index.env)
  const overlap = new Float64Array(rows.length * rows.length)
  rows.forEach(({ command }, i) =>
    rows.forEach(({ command: other }, j) => {
      if (i === j) return
      const isSame = command.id === other.id
      const [own, theirs] = isSame ? [1, 1] : [meets(command, other), meets(other, command)]
      if (own === null || theirs === null) return
      const lost = Math.min((weight[i] as number) * own, (weight[j] as number) * theirs)
      overlap[i * rows.length + j] = troubleMs + 2 * weights.clashMs * lost
    }),
  )
  return overlap
}

function rivalsOf(slots: readonly SolveSlot[], numberOf: ReadonlyMap<string, number>): SlotProblem['rivals'] {
  const lists = slots.map(() => new Set<number>())
  slots.forEach(({ candidate: { rivals } }, p) => {
    for (const key of rivals) {
      const q = numberOf.get(key)
      if (q === undefined || q === p) continue
      lists[p]?.add(q)
      lists[q]?.add(p)
    }
  })
  const start = new Int32Array(slots.length + 1)
  lists.forEach((set, p) => (start[p + 1] = (start[p] as number) + set.size))
  return { start, to: Int32Array.from(lists.flatMap((set) => [...set])) }
}

/** The part of a row's cost on a slot that is time alone, ms an hour; by the menu where it has none. */
export const timeOf = (
  { rows, slots, weight, menusKnown }: ArrangementProblem,
  i: number,
  p: number,
): number => {
  const byMenu = menuMs(menuLevels((rows[i] as SolveRow).command).length, menusKnown)
  const slot = p < 0 ? undefined : slots[p]
  const ms = slot ? thereAndBackMs(slot.reach) : byMenu
  return (weight[i] as number) * (Number.isFinite(ms) ? ms : byMenu)
}
