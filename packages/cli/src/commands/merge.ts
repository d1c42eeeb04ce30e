import {
  conflictInWords,
  CoreError,
  environmentOf,
  findClashes,
  mergePlans,
  prepare,
  readPlan,
  salvagePlan,
  writePlan,
  type Clash,
  type Plan,
} from '@reach-plot/core'
import { catalogues, loadPlan, usageError, writeOut } from '../io.js'
import { defineVerb, text } from '../verb.js'

/** Merges two plans that were the same once; also as git's merge driver. */
export const verb = defineVerb({
  name: 'merge',
  summary: 'two plans that were the same once made one; exit code 1 where both changed the same',
  files: 'BASE.json OURS.json THEIRS.json',
  options: { out: text('M.json', 'the plan file to write; conflicts keep ours in it') },
  run({ files, options }) {
    const [base, ours, theirs] = files
    if (base === undefined || ours === undefined || theirs === undefined)
      throw usageError('three plans are needed', 'write merge BASE.json OURS.json THEIRS.json --out M.json')
    const plans = [loadPlan(base), loadPlan(ours), loadPlan(theirs)] as const
    const { plan: merged, conflicts, taken } = mergePlans(...plans)
    const { plan, dropped } = opened(JSON.stringify(merged))
    if (options.out !== undefined) writeOut(options.out, writePlan(plan))
    const env = environmentOf(plan, catalogues)
    const before = new Set([plans[1], plans[2]].flatMap((p) => clashesOf(p).map((c) => c.id)))
    const clashes = clashesOf(plan).filter((c) => !before.has(c.id))
    const shown = conflicts.map((c) => ({
      path: c.path,
      words: conflictInWords(c, plans, env),
      base: c.base ?? null,
      ours: c.ours ?? null,
      theirs: c.theirs ?? null,
      proposal: c.proposal,
    }))
    return {
      value: {
        taken,
        conflicts: shown,
        dropped,
        clashes: clashes.map((c) => ({ id: c.id, severity: c.severity, message: c.message })),
        ...(options.out !== undefined && { out: options.out }),
      },
      text: [
        `${taken} ${taken === 1 ? 'change' : 'changes'} of theirs taken, ${conflicts.length} ${conflicts.length === 1 ? 'conflict' : 'conflicts'}`,
        ...shown.map((c) => `conflict: ${c.words}; kept as ours`),
        ...dropped.map((what) => `dropped: ${what}`),
        ...clashes.map((c) => `new clash: ${c.message}`),
      ].join('\n'),
      findings: conflicts.length > 0,
    }
  },
})

const clashesOf = (plan: Plan): readonly Clash[] => {
  const { arrangement, env } = prepare(plan, catalogues)
  return findClashes(arrangement.placements, env)
}

/** The merged plan; names that lead nowhere, since one side took away what the other named, are dropped and told. */
function opened(written: string): { readonly plan: Plan; readonly dropped: readonly string[] } {
  try {
    return { plan: readPlan(written, 'the merged plan'), dropped: [] }
  } catch (error) {
    const salvaged = error instanceof CoreError ? salvagePlan(written) : null
    if (!salvaged) throw error
    return { plan: salvaged.plan, dropped: salvaged.dropped.map((d) => d.where.join(' › ')) }
  }
}
