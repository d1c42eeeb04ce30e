import { describe, expect, test } from 'vitest'
import {
  dayLoad,
  fairShares,
  fingers,
  tappingCapacity,
  timeCommand,
  timeWork,
  type Routine,
} from '../../src/index.js'
import { demoPlan, deskWith, step } from './desk.js'

const undo = { ...demoPlan.commands.find((c) => c.id === 'fenmap-undo')!, usesPerHour: 60 }
const redo = { ...demoPlan.commands.find((c) => c.id === 'fenmap-redo')!, usesPerHour: 10 }
const routine: Routine = {
  id: 'r',
  name: 'Back and forth',
  programId: 'fenmap',
  steps: [step(undo.id), step(redo.id)],
  timesPerHour: 10,
}
/** The demo's log shows menus too; here all is given by key. */
const withoutLog = { ...demoPlan, usage: null }
const { context } = deskWith({ [undo.id]: 'KeyF', [redo.id]: 'Shift+KeyR' }, withoutLog)

describe('a day', () => {
  test('uses that the log shows through the menu although there was a key stay there; a new key serves all', () => {
    const desk = deskWith(
      { [undo.id]: 'KeyF' },
      {
        ...demoPlan,
        setNowArrangementId: null,
        usage: {
          ...demoPlan.usage!,
          commands: { [undo.id]: { uses: 40, byMenu: 10, byPointer: 0 } },
        },
      },
    ).context
    const had = demoPlan.arrangements.some(
      (a) => a.isDefault && a.placements.some((p) => p.commandId === undo.id),
    )
    expect(had).toBe(true)
    const day = dayLoad([undo], [], 8, desk)
    expect(day.parts.map((p) => p.timesPerHour).sort()).toEqual([15, 45])
    expect(day.shares.menu).toBeCloseTo(0.25, 9)
    const menu = timeCommand(undo, { ...desk, triggersOf: () => [] }).ms
    expect(day.msPerHour).toBeCloseTo(45 * timeCommand(undo, desk).ms + 15 * menu, 6)
    const fresh = { ...undo, id: 'new-command' }
    expect(
      dayLoad([fresh], [], 8, { ...desk, triggersOf: desk.triggersOf.bind(null, undo.id) }).shares.menu,
    ).toBe(0)
  })
  test('counts what stands in a routine only there', () => {
    const day = dayLoad([undo, redo], [routine], 8, context)
    const expected = 10 * timeWork(routine.steps, context).ms + 50 * timeCommand(undo, context).ms
    expect(day.msPerHour).toBeCloseTo(expected, 6)
    expect(day.parts.map((p) => p.id).sort()).toEqual(['fenmap-undo', 'r'])
  })
  test('sums presses by finger, and shares by how commands are given', () => {
    const day = dayLoad([undo, redo], [], 8, context)
    // the held modifier is the little finger’s
    expect(day.pressesPerHour.left.index).toBe(60 + 10)
    expect(day.pressesPerHour.left.little).toBe(10)
    expect(day.shares).toEqual({ key: 1, pointer: 0, menu: 0 })
    const byMenu = dayLoad([undo, redo], [], 8, deskWith({}).context)
    expect(byMenu.shares.menu).toBe(1)
    expect(byMenu.pressesPerHour.right.index).toBe(70 * 2)
    // one look for each walk
    expect(byMenu.msByKind.M).toBe(70 * 1350)
    expect(byMenu.msByMenus.usual).toBe(byMenu.msPerHour)
    expect(byMenu.msByMenus['seldom used'] - byMenu.msByMenus['by heart']).toBe(70 * 2 * 1350)
    // the range is the same however well they are said to be known
    const known = deskWith({}).context
    const seldom = dayLoad([undo, redo], [], 8, {
      ...known,
      place: { ...known.place, menus: 'seldom used' },
    })
    expect(seldom.msByMenus).toEqual(byMenu.msByMenus)
  })
  test('time by operator adds up', () => {
    const day = dayLoad(demoPlan.commands, demoPlan.routines, 8, context)
    expect(Object.values(day.msByKind).reduce((a, b) => a + b, 0)).toBeCloseTo(day.msPerHour, 3)
    expect(day.parts.reduce((sum, p) => sum + p.timesPerHour * p.work.ms, 0)).toBeCloseTo(day.msPerHour, 3)
  })
  test('more use is more strain, never less', () => {
    const strainAt = (uses: number) =>
      dayLoad([{ ...undo, usesPerHour: uses }], [], 8, context).strain.left.index
    const strains = [1, 100, 600, 2000, 20_000].map(strainAt)
    expect(strains).toEqual([...strains].sort((a, b) => a - b))
    expect(strains.at(-1)).toBeGreaterThan(strains[0]!)
  })
  test('a longer day is more strain', () => {
    const [short, long] = [2, 10].map((hours) => dayLoad([undo], [], hours, context).strain.left.index)
    expect(long! / short!).toBeCloseTo(1.5 / 0.5, 9)
  })
})

test('fair shares follow tapping ability (Hoke 1922) and add up to all presses', () => {
  const presses = { thumb: 0, index: 300, middle: 0, ring: 0, little: 0 }
  const fair = fairShares('left', presses)
  expect(fingers.reduce((sum, f) => sum + fair[f], 0)).toBeCloseTo(300, 9)
  expect(fair.little / fair.index).toBeCloseTo(tappingCapacity.left.little / tappingCapacity.left.index, 9)
})
