import type { ZodType } from 'zod'
import { CoreError } from '../errors.js'
import { readAs } from '../issues.js'
import { planSchema, type Plan } from '../plan/index.js'
import { checkReferences } from './references.js'

/**
 * Holds a plan that was changed against what plan files may hold, so that what is saved can be read again. Parts that are
 * the same objects as in `before`, a plan that is known to be good, are not read anew.
 * @throws CoreError `PLAN_INVALID`, `PLAN_DANGLING`
 */
export function checkPlan(plan: Plan, before: Plan | null = null): void {
  const shape = planSchema.shape
  for (const part of Object.keys(shape) as (keyof Plan)[]) {
    if (before !== null && before[part] === plan[part]) continue
    const read = readAs(shape[part] as ZodType<unknown>, plan[part])
    if ('fault' in read)
      throw new CoreError('PLAN_INVALID', {
        where: [part, ...read.fault.path],
        what: read.fault.what,
        remedy: 'nothing was changed; choose something else',
      })
  }
  checkReferences(plan, 'plan')
}
