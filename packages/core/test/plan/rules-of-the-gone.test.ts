import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import {
  declineMove,
  deleteCommand,
  readPlan,
  toggleRule,
  writePlan,
  type TriggerKey,
} from '../../src/index.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)

test('rules about what has been deleted meanwhile are not kept, so that the plan still opens', () => {
  const [command] = demo.commands
  const without = deleteCommand(demo, command!.id)
  for (const plan of [
    toggleRule(without, 'lockedCommandIds', command!.id),
    toggleRule(without, 'lockedProgramIds', 'no-such-program'),
    declineMove(without, command!.id, 'KeyG' as TriggerKey, 'too far'),
  ]) {
    expect(plan.rules).toEqual(without.rules)
    expect(() => readPlan(writePlan(plan), 'again')).not.toThrow()
  }
  // what is there is locked and unlocked as before
  const locked = toggleRule(demo, 'lockedProgramIds', demo.programs[0]!.id)
  expect(locked.rules.lockedProgramIds).toContain(demo.programs[0]!.id)
  expect(toggleRule(locked, 'lockedProgramIds', demo.programs[0]!.id).rules).toEqual(demo.rules)
})
