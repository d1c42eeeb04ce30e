import { readFileSync } from 'node:fs'
import { expect } from 'vitest'
import { layouts, systems } from '@reach-plot/data'
import { checkPlanOpens, readPlan, writePlan, type Plan } from '../../src/index.js'

const demoText = readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8')

/** The demo, read anew for each test that changes it. */
export const demo = (): Plan => readPlan(demoText)

export const idOf = (plan: Plan, name: string): string => plan.commands.find((c) => c.name === name)!.id

type Edited = Plan | { readonly plan: Plan; readonly result: unknown }

/** Runs edits one after the other; what comes out can be saved, read back and opened, and what went in is as it was. */
export function afterFrom(from: Plan, ...edits: ((plan: Plan) => Edited)[]): Plan {
  const before = writePlan(from)
  const plan = edits.reduce((p, edit): Plan => {
    const edited = edit(p)
    return 'result' in edited ? edited.plan : edited
  }, from)
  expect(readPlan(writePlan(plan))).toEqual(plan)
  expect(() => checkPlanOpens(plan, { layouts, systems })).not.toThrow()
  expect(writePlan(from)).toBe(before)
  return plan
}

export const after = (...edits: ((plan: Plan) => Edited)[]): Plan => afterFrom(demo(), ...edits)
