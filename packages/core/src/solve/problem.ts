import { clashChecker, severities, type Clash, type Placed } from '../clashes/index.js'
import { canBeLiveTogether, liveContexts, type Command, type Program } from '../commands/index.js'
import type { Plan } from '../formats/index.js'
import { modifierSets, triggerReach, type ChordReach, type ChordTable, reachIn } from '../hand/index.js'
import { mnemonicContext, mnemonicReader } from '../mnemonics/index.js'
import { spotOf, triggerKey, type Trigger } from '../triggers/index.js'
import { menuLevels, menuMs } from '../work/index.js'
import { benchCandidates, candidate, pageFor, type Candidate } from './candidates.js'
import { handCostMs, thereAndBackMs } from './places.js'
import { rowPairs, rowFlows } from './row-links.js'
import { slotRelations } from './slot-relations.js'
import { slotTravel } from './slot-travel.js'
import type { SlotProblem } from './slots.js'
import { priceContext, type PlaceSurvey } from './survey.js'

/** What may move. */
export interface SolveScope {
  /** everything, or only commands that have no place yet */
  readonly what: 'everything' | 'unplaced'
  /** at most this many moves */
  readonly mostMoves?: number
  /** only commands of this program */
  readonly programId?: string
  /** only commands on this device, and those without a place, to places on it */
  readonly deviceId?: string
}

/** One place of a command: the one that counts, which the solver puts, or a further one, which may only be let go. */
export interface SolveRow {
  readonly command: Command
  readonly role: 'main' | 'further'
  /** number of the placement in the arrangement; null for a command without a place */
  readonly placement: number | null
}

export interface SolveSlot {
  readonly candidate: Candidate
  readonly trigger: Trigger
  readonly key: string
  readonly reach: ChordReach
  /** what a use costs the hand, ms; Infinity when it cannot be made */
  readonly handMs: number
}

export interface ArrangementProblem {
  readonly problem: SlotProblem
  readonly rows: readonly SolveRow[]
  readonly slots: readonly SolveSlot[]
  readonly groups: readonly (readonly number[])[]
  /** uses an hour of each row, a little for those that are never used */
  readonly weight: Float64Array
}

export interface ProblemInput {
  readonly plan: Plan
  readonly survey: PlaceSurvey
  readonly placements: readonly Placed[]
  /** clashes of the arrangement as it is */
  readonly clashes: readonly Clash[]
  readonly table: ChordTable
}

/** A command that is never used still wants a good place a little. */
const leastUses = 0.1
/** Sets of more modifiers are not proposed. */
const mostHeld = 2
/** A further place is worth keeping by this much an hour, and for each use, ms. Assumed. */
const furtherWorth = { flat: 400, use: 30 } as const
/** A clash above caution costs this, and for each use (of the rarer command) twice the clash weight, ms. Assumed. */
const troubleMs = 2000
/** Of the places of a program only this many times its commands are looked at, the easiest first; then all as easy. */
const slotsPerCommand = 1.6

/** Clashes that a placement has by itself, and that no arrangement of others would mend. */
const isOwnTrouble = (clash: Clash): boolean =>
  clash.kind !== 'default-lost' && severities.indexOf(clash.severity) < severities.indexOf('caution')

/** The arrangement of a plan as rows and slots. */
export function arrangementProblem(input: ProblemInput, scope: SolveScope): ArrangementProblem {
  const { plan, survey, placements } = input
  const side = input.table.situation.hand.side
  const price = priceContext(survey, reachIn(input.table))
  const slotOf = (trigger: Trigger, at?: Candidate): SolveSlot => {
    const reach = triggerReach(trigger, price) ?? unreachable
    const own = at ?? candidate(trigger, survey)
    return { candidate: own, trigger, key: own.key, reach, handMs: handCostMs(reach, side, plan.weights) }
  }
  const rows = solveRows(input, (trigger) => slotOf(trigger).handMs)
  const movable = rows.map((row) => row.role === 'main' && mayMove(row, input, scope))
  const programs = plan.programs.filter((p) =>
    rows.some((row, i) => movable[i] === true && row.command.programId === p.id),
  )
  const slots = solveSlots(input, programs, rows, scope, slotOf)
  const numberOf = new Map(slots.map((slot, p) => [slot.key, p]))
  const home = Int32Array.from(rows, ({ placement }) =>
    placement === null ? -1 : (numberOf.get(triggerKey((placements[placement] as Placed).trigger)) ?? -1),
  )
  const fixed = Uint8Array.from(rows, (row, i) =>
    movable[i] === true || (row.role === 'further' && mayMove(row, input, scope)) ? 0 : 1,
  )
  const weight = Float64Array.from(rows, ({ command, role }) =>
    role === 'main' ? Math.max(command.usesPerHour, leastUses) : 0,
  )
  const { costs, scores, without } = costsOf(input, rows, slots, { home, fixed, weight, scope })
  return {
    problem: {
      rows: rows.length,
      slots: slots.length,
      costs,
      scores,
      without,
      overlap: overlapsOf(rows, plan, weight),
      rivals: rivalsOf(slots, numberOf),
      pairs: rowPairs(rows, weight, survey, plan.weights),
      relations: slotRelations(
        slots.map((s) => s.trigger),
        survey.mnemonics.neighbours,
        positions(survey),
      ),
      flows: rowFlows(rows, plan),
      travel: slotTravel(
        slots.map((s) => s.trigger),
        slots.map((s) => s.reach),
        input.table.situation,
        price,
      ),
      home,
      fixed,
    },
    rows,
    slots,
    groups: plan.programs.map((p) =>
      rows.flatMap(({ command, role }, i) => (role === 'main' && command.programId === p.id ? [i] : [])),
    ),
    weight,
  }
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

const positions = (survey: PlaceSurvey) => {
  const at = new Map(survey.around.controls.map((c) => [c.code ?? c.id, c]))
  return (trigger: Trigger) => at.get(spotOf(trigger) ?? '')
}

/** A row for each placement, the cheapest of a command being the one that counts; one for each command without. */
function solveRows(
  { plan, survey, placements, clashes }: ProblemInput,
  handMs: (trigger: Trigger) => number,
): SolveRow[] {
  const blocked = new Set(
    clashes
      .filter((c) => c.severity === 'blocks')
      .flatMap((c) => c.commandIds.map((id) => `${id} ${triggerKey(c.trigger)}`)),
  )
  const byCommand = new Map<string, number[]>()
  placements.forEach(({ commandId }, n) => byCommand.set(commandId, [...(byCommand.get(commandId) ?? []), n]))
  return plan.commands.flatMap((command): SolveRow[] => {
    const own = byCommand.get(command.id) ?? []
    if (!survey.commands.has(command.id) || own.length === 0)
      return [{ command, role: 'main', placement: null }]
    const cost = (n: number): number => {
      const { trigger } = placements[n] as Placed
      return blocked.has(`${command.id} ${triggerKey(trigger)}`) ? Infinity : handMs(trigger)
    }
    const main = own.reduce((best, n) => (cost(n) < cost(best) ? n : best))
    return own.map((n) => ({ command, role: n === main ? 'main' : 'further', placement: n }))
  })
}

function mayMove(
  { command, placement }: SolveRow,
  { survey, placements }: ProblemInput,
  scope: SolveScope,
): boolean {
  const trigger = placement === null ? null : (placements[placement] as Placed).trigger
  if (survey.rules.keeps(command) || (trigger && survey.rules.keepsSpot(spotOf(trigger)))) return false
  if (scope.what === 'unplaced' && placement !== null) return false
  if (scope.programId !== undefined && command.programId !== scope.programId) return false
  return scope.deviceId === undefined || !trigger || isOnDevice(trigger, scope.deviceId, survey)
}

function isOnDevice(trigger: Trigger, deviceId: string, { around }: PlaceSurvey): boolean {
  if ('deviceId' in trigger) return trigger.deviceId === deviceId
  if (!('code' in trigger)) return false
  return around.controls.some((c) => c.code === trigger.code && c.id.startsWith(`${deviceId}/`))
}

/** Where something may go, the easiest first for each program, and where something stands now. */
function solveSlots(
  { survey, placements }: ProblemInput,
  programs: readonly Program[],
  rows: readonly SolveRow[],
  scope: SolveScope,
  slotOf: (trigger: Trigger, at?: Candidate) => SolveSlot,
): SolveSlot[] {
  const found = new Map<string, SolveSlot>()
  const sets = modifierSets(survey.around.layout.altGraph, mostHeld)
  for (const program of programs) {
    const offered = benchCandidates(survey, sets, (id) => pageFor(id, program.id, survey.around))
      .filter((at) => at.plain && at.kept === null && !at.barred && !at.closed)
      .filter((at) => scope.deviceId === undefined || isOnDevice(at.trigger, scope.deviceId, survey))
      .map((at) => found.get(at.key) ?? slotOf(at.trigger, at))
      .filter((slot) => Number.isFinite(slot.handMs))
      .sort((a, b) => a.handMs - b.handMs || (a.key < b.key ? -1 : 1))
    const wanted = Math.ceil(rows.filter((r) => r.command.programId === program.id).length * slotsPerCommand)
    const limit = offered[Math.min(wanted, offered.length - 1)]?.handMs ?? 0
    // a place that recalls the name may be worth as much more as recalling is
    for (const slot of offered) if (slot.handMs <= limit + recallReach) found.set(slot.key, slot)
  }
  for (const { trigger } of placements) {
    const key = triggerKey(trigger)
    if (!found.has(key)) found.set(key, slotOf(trigger))
  }
  return [...found.values()]
}
const recallReach = 150

function costsOf(
  { plan, survey, clashes }: ProblemInput,
  rows: readonly SolveRow[],
  slots: readonly SolveSlot[],
  {
    home,
    fixed,
    weight,
    scope,
  }: {
    readonly home: Int32Array
    readonly fixed: Uint8Array
    readonly weight: Float64Array
    readonly scope: SolveScope
  },
): { costs: Float64Array; scores: Float32Array; without: Float64Array } {
  const { around } = survey
  const { weights } = plan
  const costs = new Float64Array(rows.length * slots.length).fill(Infinity)
  const scores = new Float32Array(rows.length * slots.length)
  const without = new Float64Array(rows.length)
  const alone = mnemonicContext(around, () => [])
  const worstNow = new Map<string, number>()
  for (const clash of clashes)
    for (const id of clash.commandIds) {
      const name = `${id} ${triggerKey(clash.trigger)}`
      worstNow.set(name, Math.min(worstNow.get(name) ?? 9, severities.indexOf(clash.severity)))
    }
  const isTrouble = troubleOf(survey, slots)
  rows.forEach(({ command, role }, i) => {
    const at = home[i] as number
    const uses = weight[i] as number
    const base = i * slots.length
    const worst = at >= 0 ? (worstNow.get(`${command.id} ${slots[at]?.key ?? ''}`) ?? 9) : 9
    if (role === 'further') {
      const worth = furtherWorth.flat + furtherWorth.use * command.usesPerHour
      without[i] = worth
      costs[base + at] = worst < severities.indexOf('caution') ? 2 * worth : 0
      return
    }
    const byMenu = uses * menuMs(menuLevels(command).length)
    without[i] = byMenu
    const reader = mnemonicReader(command, alone)
    const costOn = (p: number): number => {
      const slot = slots[p] as SolveSlot
      const score = reader.score(slot.trigger, slot.key).score
      scores[base + p] = score
      return uses * (slot.handMs + weights.recallMs * (1 - score))
    }
    if (fixed[i] === 0)
      for (let p = 0; p < slots.length; p++) {
        const { candidate: slot, handMs } = slots[p] as SolveSlot
        if (slot.kept !== null || slot.barred || slot.closed || !slot.plain || !Number.isFinite(handMs))
          continue
        if (scope.deviceId !== undefined && !isOnDevice(slot.trigger, scope.deviceId, survey)) continue
        if (isOtherPage(slot.trigger, command, survey) || isTrouble(command, p)) continue
        costs[base + p] = costOn(p) + uses * weights.learnMs
      }
    if (at < 0) return
    const own = costOn(at)
    // a press that never arrives leaves the menu, and a dead key that stands in nobody's place
    costs[base + at] =
      worst === 0 || !Number.isFinite(own)
        ? byMenu + furtherWorth.flat
        : own +
          (worst < severities.indexOf('caution') && isTrouble(command, at)
            ? troubleMs + 2 * uses * weights.clashMs
            : 0)
  })
  return { costs, scores, without }
}

/** A page that follows another program. */
function isOtherPage(trigger: Trigger, command: Command, survey: PlaceSurvey): boolean {
  return (
    'pageId' in trigger &&
    trigger.pageId !== undefined &&
    pageFor(trigger.deviceId, command.programId, survey.around) !== trigger.pageId
  )
}

/** Whether a command on a slot would have a clash above caution by itself; asked once for commands that live alike. */
function troubleOf(
  survey: PlaceSurvey,
  slots: readonly SolveSlot[],
): (command: Command, slot: number) => boolean {
  const checker = clashChecker(survey.around)
  const known = new Map<string, Int8Array>()
  return (command, p) => {
    const program = survey.around.programs.find((x) => x.id === command.programId)
    const name = program ? `${program.id} ${[...liveContexts(command, program)].sort().join()}` : ''
    let answers = known.get(name)
    if (!answers) known.set(name, (answers = new Int8Array(slots.length).fill(-1)))
    if (answers[p] === -1) {
      const clashes = checker.check([{ commandId: command.id, trigger: (slots[p] as SolveSlot).trigger }])
      answers[p] = clashes.some((c) => isOwnTrouble(c) && c.commandIds.includes(command.id)) ? 1 : 0
    }
    return answers[p] === 1
  }
}

/** Rows that must not share a slot: commands that can be live together, and places of one command. */
function overlapsOf(rows: readonly SolveRow[], plan: Plan, weight: Float64Array): Float64Array {
  const programs = new Map(plan.programs.map((p) => [p.id, p]))
  const overlap = new Float64Array(rows.length * rows.length)
  rows.forEach((one, i) =>
    rows.forEach((other, j) => {
      if (i === j) return
      const program = programs.get(one.command.programId)
      const same = one.command.id === other.command.id
      if (!same && (!program || !canBeLiveTogether(one.command, other.command, program))) return
      overlap[i * rows.length + j] =
        troubleMs + 2 * plan.weights.clashMs * Math.min(weight[i] as number, weight[j] as number)
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
export const timeOf = ({ rows, slots, weight }: ArrangementProblem, i: number, p: number): number => {
  const byMenu = menuMs(menuLevels((rows[i] as SolveRow).command).length)
  const slot = p < 0 ? undefined : slots[p]
  const ms = slot ? thereAndBackMs(slot.reach) : byMenu
  return (weight[i] as number) * (Number.isFinite(ms) ? ms : byMenu)
}
