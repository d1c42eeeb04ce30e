import { differenceInWords, differenceKinds, diffPlans, environmentOf, kindOf } from '@reach-plot/core'
import { catalogues, loadPlan, usageError } from '../io.js'
import { choice, defineVerb } from '../verb.js'

/** What is different between two plans, by meaning. */
export const verb = defineVerb({
  name: 'diff',
  summary: 'what is different between two plans, by meaning; exit code 1 where anything is',
  files: 'A.json B.json',
  options: { kind: choice(differenceKinds, 'only differences of one kind') },
  run({ files, options }) {
    const [first, second] = files
    if (first === undefined || second === undefined)
      throw usageError('two plans are needed', 'write diff A.json B.json')
    const [before, after] = [loadPlan(first), loadPlan(second)]
    const env = environmentOf(after, catalogues)
    const differences = diffPlans(before, after).filter(
      (d) => options.kind === undefined || kindOf(d) === options.kind,
    )
    const shown = differences.map((d) => ({
      kind: kindOf(d),
      path: d.path,
      words: differenceInWords(d, [after, before], env),
      before: d.before ?? null,
      after: d.after ?? null,
    }))
    return {
      value: { differences: shown },
      text: shown.length === 0 ? 'no difference' : shown.map((d) => d.words).join('\n'),
      findings: shown.length > 0,
    }
  },
})
