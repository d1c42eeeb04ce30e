import { readFileSync } from 'node:fs'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { expect, test } from 'vitest'
import {
  checkFileSize,
  CoreError,
  maxPlanBytes,
  planJsonSchema,
  readPlan,
  writePlan,
} from '../../src/index.js'
import { at, command, draft, placements, plan } from '../build.js'

const demoText = readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8')

const fault = (run: () => unknown): CoreError => {
  try {
    run()
  } catch (error) {
    if (error instanceof CoreError) return error
    throw error
  }
  throw new Error('no fault')
}

test('the demo reads, and writing it gives the same text back', () => {
  expect(writePlan(readPlan(demoText))).toBe(demoText)
})

test('the demo is as the scenario says: two programs, seven contexts, about 230 commands, defaults that are kept', () => {
  const demo = readPlan(demoText)
  expect(demo.programs.map((p) => p.contexts.map((c) => c.name))).toEqual([
    ['Overview', 'Tracing', 'Labelling', 'Sheet'],
    ['Browse', 'Tag', 'Review'],
  ])
  expect(demo.commands.length).toBeGreaterThanOrEqual(230)
  expect(demo.arrangements.map((a) => a.isDefault)).toEqual([true, false])
})

// Outside check: ajv, a JSON Schema validator, reads the published schema and agrees on what is a plan.
test('the published JSON Schema accepts the demo and refuses what readPlan refuses', () => {
  const validate = new Ajv2020({ strict: false }).compile(planJsonSchema())
  expect(validate(JSON.parse(demoText))).toBe(true)
  for (const broken of [
    { ...plan(), extra: 1 },
    { ...plan(), system: 'amiga' },
    { ...plan(), commands: [{ id: 'x' }] },
    { ...plan(), benches: [] },
  ]) {
    expect(validate(broken)).toBe(false)
    expect(() => readPlan(JSON.stringify(broken))).toThrow(CoreError)
  }
})

test.each([
  ['', 'PLAN_EMPTY', 'empty'],
  ['   \n', 'PLAN_EMPTY', 'empty'],
  ['{"format": "reach', 'PLAN_NOT_JSON', 'not JSON'],
  ['[]', 'PLAN_NOT_A_PLAN', 'format'],
  ['null', 'PLAN_NOT_A_PLAN', 'format'],
  ['{"format":"reachplot-plan","version":99}', 'PLAN_VERSION', 'version 99'],
  ['{"format":"reachplot-plan","version":1}', 'PLAN_INVALID', 'more error'],
])('%j gives one clear error', (text, code, words) => {
  const error = fault(() => readPlan(text, 'mine.json'))
  expect(error.code).toBe(code)
  expect(error.message).toContain(words)
  expect(error.detail.where[0]).toBe('mine.json')
  expect(error.detail.remedy).not.toBe('')
})

test('a field that is wrong is named by its path', () => {
  const error = fault(() =>
    readPlan(JSON.stringify(plan({ commands: [command('A'), { ...command('B'), usesPerHour: -1 }] }))),
  )
  expect(error.detail.where.slice(1)).toEqual(['commands', 1, 'usesPerHour'])
})

test.each([
  ['an unknown program', plan({ commands: [command('A', { programId: 'nope' })] }), 'no program "nope"'],
  ['an unknown context', plan({ commands: [command('A', { contextIds: ['nope'] })] }), 'no context "nope"'],
  ['an id twice', plan({ commands: [command('A'), command('A')] }), 'stands twice'],
  ['an unknown opposite', plan({ commands: [command('A', { oppositeId: 'nope' })] }), 'no command "nope"'],
  [
    'a placement of nothing',
    plan({
      arrangements: [draft(placements({ nope: 'KeyA' }))],
    }),
    'no command "nope"',
  ],
  ['an active arrangement that is not there', plan({ activeArrangementId: 'nope' }), 'no arrangement "nope"'],
  ['an active bench that is not there', plan({ activeBenchId: 'nope' }), 'no bench "nope"'],
  [
    'a device that is not there',
    plan({ benches: [{ ...plan().benches[0]!, devices: [at('nope')] }] }),
    'no device "nope"',
  ],
])('%s is refused', (_name, broken, words) => {
  expect(fault(() => readPlan(JSON.stringify(broken))).message).toContain(words)
})

test('a file of 50 MB is refused before it is read', () => {
  expect(() => checkFileSize(50_000_000, maxPlanBytes, 'big.json')).toThrow(/50\.0 MB; at most 20 MB/)
  expect(() => checkFileSize(1000, maxPlanBytes, 'small.json')).not.toThrow()
})
