import { describe, expect, test } from 'vitest'
import {
  chord,
  emptyPlan,
  triggerKey,
  type Plan,
  addCommand,
  copyArrangement,
  deleteArrangement,
  deleteCommand,
  editCommand,
  chooseArrangement,
  moveMany,
  placeCommand,
  renameArrangement,
  removePlacement,
} from '../../src/index.js'
import { afterFrom } from './after.js'

const command = (id: string) => ({
  id,
  programId: 'fenmap',
  contextIds: [],
  name: id,
  menu: [],
  usesPerHour: 1,
})
const base: Plan = {
  ...emptyPlan(),
  programs: [
    { id: 'fenmap', name: 'Fenmap', contexts: [{ id: 'main', name: 'Main', typing: false, overlaps: [] }] },
  ],
  commands: [command('a'), { ...command('b'), oppositeId: 'a' }, command('c')],
  arrangements: [
    {
      id: 'defaults',
      name: 'Defaults',
      isDefault: true,
      placements: [{ commandId: 'a', trigger: chord('F1') }],
      popups: [],
      accepted: [],
    },
    {
      id: 'draft',
      name: 'Draft',
      isDefault: false,
      placements: [
        { commandId: 'a', trigger: chord('KeyA') },
        { commandId: 'b', trigger: chord('KeyB') },
      ],
      popups: [],
      accepted: [],
    },
  ],
  activeArrangementId: 'draft',
}

/** Runs edits on the plan above. */
const after = (...edits: Parameters<typeof afterFrom>[1][]): Plan => afterFrom(base, ...edits)
const placed = (plan: Plan): Record<string, string> =>
  Object.fromEntries(
    plan.arrangements
      .find((a) => a.id === plan.activeArrangementId)!
      .placements.map((p) => [triggerKey(p.trigger), p.commandId]),
  )

describe('placing', () => {
  test('moves a command to a free trigger, or adds one when the old is kept', () => {
    expect(placed(after((p) => placeCommand(p, { commandId: 'a', trigger: chord('KeyX') })))).toEqual({
      KeyX: 'a',
      KeyB: 'b',
    })
    expect(
      placed(after((p) => placeCommand(p, { commandId: 'a', trigger: chord('KeyX'), keepOld: true }))),
    ).toEqual({ KeyA: 'a', KeyX: 'a', KeyB: 'b' })
  })
  test('replacing lets the holder go', () => {
    expect(
      placed(after((p) => placeCommand(p, { commandId: 'a', trigger: chord('KeyB'), displaced: ['b'] }))),
    ).toEqual({ KeyB: 'a' })
  })
  test('swapping gives the holder the old trigger', () => {
    expect(
      placed(
        after((p) =>
          placeCommand(p, {
            commandId: 'a',
            trigger: chord('KeyB'),
            displaced: ['b'],
            swapTo: chord('KeyA'),
          }),
        ),
      ),
    ).toEqual({ KeyB: 'a', KeyA: 'b' })
  })
  test('moving and taking off', () => {
    expect(
      placed(after((p) => moveMany(p, [{ commandId: 'a', from: chord('KeyA'), to: chord('F5') }]))),
    ).toEqual({
      F5: 'a',
      KeyB: 'b',
    })
    expect(placed(after((p) => removePlacement(p, 'a')))).toEqual({ KeyB: 'b' })
    expect(placed(after((p) => removePlacement(p, 'a', chord('F9'))))).toEqual({ KeyA: 'a', KeyB: 'b' })
  })
})

describe('defaults', () => {
  const onDefaults = (plan: Plan): Plan => chooseArrangement(plan, 'defaults')
  test('are never changed by placing, renaming or deleting', () => {
    const plan = after(
      onDefaults,
      (p) => placeCommand(p, { commandId: 'b', trigger: chord('F1') }),
      (p) => removePlacement(p, 'a'),
      (p) => renameArrangement(p, 'defaults', 'Mine'),
      (p) => deleteArrangement(p, 'defaults'),
    )
    expect(plan.arrangements[0]).toEqual(base.arrangements[0])
  })
  test('can be copied, and the copy can be changed', () => {
    const plan = after(
      onDefaults,
      (p) => copyArrangement(p, 'defaults'),
      (p) => placeCommand(p, { commandId: 'b', trigger: chord('F2') }),
    )
    expect(plan.arrangements.at(-1)).toMatchObject({ name: 'Defaults, copy', isDefault: false })
    expect(placed(plan)).toEqual({ F1: 'a', F2: 'b' })
  })
})

test('arrangements are copied under fresh names, renamed and deleted', () => {
  const plan = after(
    (p) => copyArrangement(p, 'draft'),
    (p) => copyArrangement(p, 'draft'),
  )
  expect(plan.arrangements.map((a) => a.name)).toEqual(['Defaults', 'Draft', 'Draft, copy', 'Draft, copy 2'])
  expect(after((p) => renameArrangement(p, 'draft', '  Season  ')).arrangements[1]!.name).toBe('Season')
  expect(after((p) => renameArrangement(p, 'draft', '   ')).arrangements[1]!.name).toBe('Draft')
  expect(after((p) => deleteArrangement(p, 'draft')).activeArrangementId).toBe('defaults')
})

test('commands are added, edited and deleted with all that names them', () => {
  expect(after((p) => addCommand(p, 'fenmap', [], 'New one')).commands.at(-1)).toMatchObject({
    id: 'fenmap-new-one',
    name: 'New one',
  })
  expect(
    after(
      (p) => editCommand(p, 'a', { label: 'Aa' }),
      (p) => editCommand(p, 'a', { label: '' }),
    ).commands[0],
  ).not.toHaveProperty('label')
  const plan = after((p) => deleteCommand(p, 'a'))
  expect(plan.commands.map((c) => c.oppositeId)).toEqual([undefined, undefined])
  expect(plan.arrangements.flatMap((a) => a.placements.map((x) => x.commandId))).toEqual(['b'])
})
