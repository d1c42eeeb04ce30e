import { isHarmful, slipShare, wayOutMs } from '../clashes/index.js'
import { canBeLiveTogether } from '../commands/index.js'
import type { PlaceIndex } from '../model/index.js'
import { recallShare, usualHoursPerDay } from '../places/index.js'
import type { PlaceWeights, Plan } from '../plan/index.js'
import type { SolveRow } from './rows.js'
import { relationIndex, type RelationKind } from './slot-relations.js'
import type { PairTerm } from './slots.js'

/** Opposites that lie apart are mixed up however often they are used: so much of a link always counts. Assumed. */
const leastPairRecall = 0.5
/** Slips that cost less are passed over, ms an hour. Assumed. */
const leastHarmMs = 1000

/** What members of a family gain on keys that lie together, ms a use of the rarer one. Assumed. */
const familyMs = 40
/** What pairs of commands gain, or lose, by how their triggers lie to each other. */
export function rowPairs(
  rows: readonly SolveRow[],
  weight: Float64Array,
  index: PlaceIndex,
  weights: PlaceWeights,
): PairTerm[] {
  const rowOf = new Map(
    rows.flatMap(({ command, role }, i) => (role === 'main' ? [[command.id, i] as const] : [])),
  )
  const out: PairTerm[] = []
  const seen = new Set<string>()
  const hours = index.env.hoursPerDay ?? usualHoursPerDay
  const recall = (i: number): number => {
    const uses = weight[i] as number
    return weights.recallMs * uses * Math.max(leastPairRecall, recallShare(uses, hours))
  }
  const enter = (a: number, b: number, kind: RelationKind, gains?: readonly [number, number]): void => {
    const name = `${kind} ${a} ${b}`
    if (a === b || seen.has(name)) return
    seen.add(name)
    out.push({
      a,
      b,
      relation: relationIndex(kind),
      gainA: gains ? gains[0] : recall(a),
      gainB: gains ? gains[1] : recall(b),
      scored: gains === undefined,
    })
  }
  rows.forEach(({ command, role }, i) => {
    if (role !== 'main') return
    for (const { command: other, axis, isFirst } of index.mnemonics.finder.oppositesOf(command)) {
      const j = rowOf.get(other.id)
      if (j === undefined) continue
      enter(Math.min(i, j), Math.max(i, j), 'opposite')
      if (axis !== 'opposite') {
        const [first, second] = isFirst ? [i, j] : [j, i]
        enter(first, second, axis === 'across' ? 'right' : 'below')
      }
    }
    for (const other of index.mnemonics.sameIdeas(command)) {
      const j = rowOf.get(other.id)
      if (j !== undefined) enter(Math.min(i, j), Math.max(i, j), 'same')
    }
    for (const id of command.siblingIds ?? []) {
      const j = rowOf.get(id)
      if (j === undefined) continue
      const gain = (familyMs * Math.min(weight[i] as number, weight[j] as number)) / 2
      enter(Math.min(i, j), Math.max(i, j), 'near', [gain, gain])
    }
  })
  return [...out, ...slips(rows, index)]
}

function slips(rows: readonly SolveRow[], { env }: PlaceIndex): PairTerm[] {
  const programs = new Map(env.programs.map((p) => [p.id, p]))
  const { nextDoor, pairs } = env.slips ?? slipShare
  /** the likeliest slip that there is: what would do too little harm even by it is left out */
  const likeliest = Math.max(nextDoor, ...pairs.map((p) => p.share))
  return rows.flatMap(({ command: danger, role }, a): PairTerm[] => {
    if (role !== 'main' || !isHarmful(danger)) return []
    return rows.flatMap(({ command: busy, role: other }, b): PairTerm[] => {
      const program = programs.get(danger.programId)
      const usesHarmMs = busy.usesPerHour * wayOutMs(danger)
      const harmMs = usesHarmMs * nextDoor
      const counts =
        other === 'main' &&
        a !== b &&
        usesHarmMs * likeliest >= leastHarmMs &&
        busy.oppositeId !== danger.id &&
        program !== undefined &&
        canBeLiveTogether(busy, danger, program)
      return counts
        ? [{ a, b, relation: relationIndex('slip'), gainA: -harmMs, gainB: 0, scored: false }]
        : []
    })
  })
}

/** How often an hour one command follows another: from the usage log, or from the routines where there is none. */
export function rowFlows(
  rows: readonly SolveRow[],
  { usage, routines }: Pick<Plan, 'usage' | 'routines'>,
): { a: number; b: number; uses: number }[] {
  const rowOf = new Map(
    rows.flatMap(({ command, role }, i) => (role === 'main' ? [[command.id, i] as const] : [])),
  )
  const flow = (from: string, to: string, uses: number) => {
    const [a, b] = [rowOf.get(from), rowOf.get(to)]
    return a !== undefined && b !== undefined && a !== b ? [{ a, b, uses }] : []
  }
  if (usage && usage.activeHours > 0 && usage.follows.length > 0)
    return usage.follows.flatMap((f) => flow(f.from, f.to, f.uses / usage.activeHours))
  return routines.flatMap(({ steps, timesPerHour }) =>
    steps.flatMap((step, k) => {
      const next = steps[k + 1]
      return step.kind === 'command' && next?.kind === 'command'
        ? flow(step.commandId, next.commandId, timesPerHour)
        : []
    }),
  )
}
