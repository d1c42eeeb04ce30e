import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { checkPlan, chord, placeCommand, readPlan, salvagePlan, writePlan, type Plan } from '@reach-plot/core'

const text = readFileSync(`${import.meta.dirname}/../../../../demo/demo.reachplot.json`, 'utf8')
const demo = readPlan(text)
type Raw = Record<string, never>
const broken = (change: (raw: Raw) => void): string => {
  const raw = JSON.parse(text) as Raw
  change(raw)
  return JSON.stringify(raw)
}
const set = (of: unknown, key: string | number, value: unknown): void => {
  ;(of as Record<string | number, unknown>)[key] = value
}

describe('what can still be read of a plan that cannot', () => {
  test('a good plan loses nothing', () => {
    const read = salvagePlan(text)!
    expect(read.dropped).toEqual([])
    expect(writePlan(read.plan)).toBe(writePlan(demo))
  })
  test('one bad command goes, with what stood on it, and all else stays', () => {
    const { id } = demo.commands[3]!
    const read = salvagePlan(broken((raw) => set(raw['commands']![3], 'usesPerHour', 'often')))!
    expect(read.dropped[0]).toMatchObject({ where: ['commands', 3] })
    expect(read.plan.commands).toHaveLength(demo.commands.length - 1)
    const placed = (plan: Plan): number => plan.arrangements.reduce((n, a) => n + a.placements.length, 0)
    const ofIt = demo.arrangements.flatMap((a) => a.placements).filter((p) => p.commandId === id).length
    expect(placed(read.plan)).toBe(placed(demo) - ofIt)
  })
  test('a modifier that is none takes its one setting with it', () => {
    // what a dump of settings with <constructor> brought in once
    const read = salvagePlan(
      broken((raw) =>
        set(raw, 'ownSystemKeys', {
          gnome: {
            off: [],
            own: [
              { modifiers: [null], code: 'KeyW', action: 'Close' },
              { modifiers: ['Meta'], code: 'KeyQ', action: 'Quit' },
            ],
          },
        }),
      ),
    )!
    expect(read.plan.ownSystemKeys['gnome']!.own.map((k) => k.action)).toEqual(['Quit'])
  })
  test('a missing part is put back empty; a whole wrong part too, and both are told', () => {
    const read = salvagePlan(
      broken((raw) => {
        delete (raw as Record<string, unknown>)['routines']
        set(raw, 'weights', 'heavy')
      }),
    )!
    expect(read.plan.routines).toEqual([])
    expect(read.dropped.map((d) => d.where[0])).toContain('weights')
    expect(read.plan.commands).toHaveLength(demo.commands.length)
  })
  test('parts that name one another are put back together, and nothing goes round for ever', () => {
    const read = salvagePlan(broken((raw) => set(raw, 'devices', [null])))!
    expect(read.plan.devices.length).toBeGreaterThan(0)
    expect(read.dropped.length).toBeLessThan(50)
    readPlan(writePlan(read.plan))
  })
  test('no plan at all gives nothing', () => {
    for (const none of ['', '{', '[]', '7', '"plan"', `${'['.repeat(100_000)}`])
      expect(salvagePlan(none)).toBeNull()
  })
  test('whatever is broken, what comes back can be read as a plan', () => {
    const paths = [
      'commands',
      'programs',
      'routines',
      'devices',
      'benches',
      'arrangements',
      'labels',
      'rules',
      'name',
    ]
    // texts, so that no value that one change has altered is drawn for another
    const wrong = fc.constantFrom('null', '7', '"x"', '[]', '{}', '[null]', '{"id":1}')
    let saved = 0
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...paths), fc.nat(3), wrong), { maxLength: 4 }),
        (changes) => {
          const read = salvagePlan(
            broken((raw) => {
              for (const [path, at, given] of changes) {
                const value = JSON.parse(given) as unknown
                const part = raw[path] as unknown
                if (Array.isArray(part) && at > 0) part[at % Math.max(1, part.length)] = value
                else set(raw, path, value)
              }
            }),
          )
          if (!read) return
          saved++
          readPlan(writePlan(read.plan))
        },
      ),
      { numRuns: 25 },
    )
    expect(saved).toBeGreaterThan(15)
  })
})

describe('a plan that was changed is held against what can be read', () => {
  const hide = demo.commands.find((c) => c.name === 'Hide shape')!.id
  test('a good edit passes, whether all is read or only what changed', () => {
    const next = placeCommand(demo, { commandId: hide, trigger: chord('KeyH') })
    checkPlan(next)
    checkPlan(next, demo)
  })
  test.each([
    ['a text that is too long', (p: Plan) => ({ ...p, name: 'x'.repeat(400) }), /name/],
    [
      'too many keys of one’s own',
      (p: Plan) => ({
        ...p,
        ownSystemKeys: {
          gnome: {
            off: [],
            own: Array.from({ length: 2100 }, () => ({
              modifiers: ['Meta' as const],
              code: 'KeyQ',
              action: 'x',
            })),
          },
        },
      }),
      /ownSystemKeys/,
    ],
    [
      'a command on two ids',
      (p: Plan) => ({ ...p, commands: [...p.commands, p.commands[0]!] }),
      /stands twice/,
    ],
    ['what stands on nothing', (p: Plan) => ({ ...p, activeBenchId: 'gone' }), /no bench/],
  ])('%s is refused', (_name, change, message) => {
    expect(() => checkPlan(change(demo) as Plan, demo)).toThrow(message)
  })
})
