/** Plans beside each other and merged; the plans are the example and random edits of it. */
import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  deleteCommand,
  editCommand,
  environmentOf,
  moveDevice,
  parseTrigger,
  placeCommand,
  readPlan,
  removePlacement,
  renameArrangement,
  toggleRule,
  writePlan,
  type Plan,
} from '../../src/index.js'
import { applyDifferences, diffPlans, differenceInWords, kindOf, mergePlans } from '../../src/merge/index.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)
/** Thirty commands of the example, so that hundreds of merges stay quick. */
const some = demo.commands
  .slice(30)
  .reduce<Plan>((plan, command) => deleteCommand(plan, command.id), { ...demo, usage: null })
const opened = (value: unknown): Plan => readPlan(JSON.stringify(value), 'merged')
const trigger = (text: string) => parseTrigger(text)

/** A random edit of the example, by what a person does. */
const someEdit = fc
  .record({
    what: fc.constantFrom('place', 'remove', 'rate', 'rename', 'delete', 'move', 'lock'),
    n: fc.nat(29),
    key: fc.constantFrom('Control+KeyJ', 'Alt+KeyQ', 'F9', 'Shift+F4', 'KeyB', 'Control+Shift+KeyK'),
    value: fc.integer({ min: 1, max: 400 }),
  })
  .map(({ what, n, key, value }) => (plan: Plan): Plan => {
    const command = demo.commands[n]!
    switch (what) {
      case 'place':
        return plan.commands.some((c) => c.id === command.id)
          ? placeCommand(plan, { commandId: command.id, trigger: trigger(key) })
          : plan
      case 'remove':
        return removePlacement(plan, command.id)
      case 'rate':
        return editCommand(plan, command.id, { usesPerHour: value })
      case 'rename':
        return editCommand(plan, command.id, { name: `Renamed ${value}` })
      case 'delete':
        return deleteCommand(plan, command.id)
      case 'move':
        return moveDevice(plan, 'pad', { xMm: -value })
      default:
        return toggleRule(plan, 'lockedCommandIds', command.id)
    }
  })
const edits = fc.array(someEdit, { minLength: 1, maxLength: 5 })
const edited = (plan: Plan, list: readonly ((plan: Plan) => Plan)[]): Plan =>
  list.reduce((p, e) => e(p), plan)

describe('diff', () => {
  test('a plan differs from itself in nothing, and written and read in nothing', () => {
    expect(diffPlans(demo, demo)).toEqual([])
    expect(diffPlans(demo, readPlan(writePlan(demo), 'x'))).toEqual([])
  })
  test('no difference made is the plan itself, field by field in its order', () => {
    expect(JSON.stringify(applyDifferences(demo, []))).toBe(JSON.stringify(demo))
  })
  test('the order of lists is no difference', () => {
    expect(diffPlans(demo, { ...demo, commands: demo.commands.toReversed() })).toEqual([])
  })
  test('differences that are made give the other plan', () => {
    fc.assert(
      fc.property(edits, (list) => {
        const other = edited(some, list)
        const made = opened(applyDifferences(some, diffPlans(some, other)))
        expect(diffPlans(made, other)).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
  test('one move is one difference, in words', () => {
    const command = demo.commands.find((c) => c.name === 'Undo')!
    const other = placeCommand(demo, { commandId: command.id, trigger: trigger('F9') })
    const found = diffPlans(demo, other)
    expect(found.map(kindOf)).toEqual(['placements'])
    expect(differenceInWords(found[0]!, [demo], environmentOf(demo, catalogues))).toMatch(
      /^“Undo” in .* → .*F9/,
    )
  })
})

describe('merge', () => {
  const [one, two] = ['Undo', 'Redo'].map((name) => demo.commands.find((c) => c.name === name)!)
  const moved = (id: string, key: string): Plan =>
    placeCommand(demo, { commandId: id as never, trigger: trigger(key) })

  test('two people who move different commands merge clean', () => {
    const { plan, conflicts } = mergePlans(demo, moved(one!.id, 'F9'), moved(two!.id, 'F10'))
    expect(conflicts).toEqual([])
    const keys = opened(plan).arrangements.find((a) => a.id === demo.activeArrangementId)!.placements
    expect(keys.some((p) => p.commandId === one!.id && 'code' in p.trigger && p.trigger.code === 'F9')).toBe(
      true,
    )
    expect(keys.some((p) => p.commandId === two!.id && 'code' in p.trigger && p.trigger.code === 'F10')).toBe(
      true,
    )
  })
  test('the same command moved twice is one conflict, and stays where ours put it', () => {
    const ours = moved(one!.id, 'F9')
    const { plan, conflicts } = mergePlans(demo, ours, moved(one!.id, 'F10'))
    expect(conflicts).toHaveLength(1)
    expect(diffPlans(opened(plan), ours)).toEqual([])
  })
  test('what one takes away and the other goes on using is kept', () => {
    const free = demo.commands.find(
      (c) => !demo.arrangements.some((a) => a.placements.some((p) => p.commandId === c.id)),
    )!
    const gone = deleteCommand(demo, free.id)
    const used = placeCommand(demo, { commandId: free.id, trigger: trigger('F9') })
    for (const [ours, theirs] of [
      [gone, used],
      [used, gone],
    ] as const) {
      const plan = opened(mergePlans(demo, ours, theirs).plan)
      expect(plan.commands.some((c) => c.id === free.id)).toBe(true)
    }
  })
  test(
    'merges lose nothing that only one side changed, open, and are alike from either side',
    { timeout: 300_000 },
    () => {
      fc.assert(
        fc.property(edits, edits, (mine, other) => {
          const ours = edited(some, mine)
          const theirs = edited(some, other)
          const here = mergePlans(some, ours, theirs)
          const there = mergePlans(some, theirs, ours)
          const plan = opened(here.plan)
          const conflicting = new Set(here.conflicts.map((c) => c.path.join(' ')))
          // conflicts are listed mirrored
          expect(new Set(there.conflicts.map((c) => c.path.join(' ')))).toEqual(conflicting)
          for (const conflict of here.conflicts) {
            const mirror = there.conflicts.find((c) => c.path.join(' ') === conflict.path.join(' '))
            expect(mirror).toMatchObject({
              ours: conflict.theirs ?? undefined,
              theirs: conflict.ours ?? undefined,
            } as object)
          }
          const isGone = (path: readonly string[]): boolean =>
            (path[0] === 'commands' && !plan.commands.some((c) => c.id === path[1])) ||
            // a lock goes with its command
            (path[0] === 'rules' && !plan.commands.some((c) => c.id === path[2]))
          for (const [side, other_] of [
            [ours, theirs],
            [theirs, ours],
          ] as const) {
            const elsewhere = new Set(diffPlans(some, other_).map((d) => d.path.join(' ')))
            const now = new Map(diffPlans(some, plan).map((d) => [d.path.join(' '), d.after]))
            for (const { path, after } of diffPlans(some, side)) {
              const text = path.join(' ')
              // a command that the other side deleted and this one changed, or the reverse, is whole or gone
              const isOfDeleted = path[0] === 'commands' || (path[2] === 'placements' && after === undefined)
              if (elsewhere.has(text) || isOfDeleted || isGone(path)) continue
              expect(JSON.stringify(now.get(text))).toBe(JSON.stringify(after))
            }
          }
          if (here.conflicts.length === 0) expect(diffPlans(plan, opened(there.plan))).toEqual([])
        }),
        { numRuns: 200 },
      )
    },
  )
  test('the same change on both sides is no conflict', () => {
    const same = renameArrangement(demo, demo.activeArrangementId, 'Same')
    expect(mergePlans(demo, same, same)).toMatchObject({ conflicts: [], taken: 0 })
  })
})
