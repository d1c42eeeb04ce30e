import { beforeEach, describe, expect, test } from 'vitest'
import { chooseArrangement, chord, emptyPlan, triggerKey, editCommand } from '@reach-plot/core'
import { onEditable, openPlan, place, planFileName, remove } from '../src/store/actions.js'
import { endEditGroup, redo, undo, usePlanStore } from '../src/store/plan-store.js'
import { heldSetsUsed } from '../src/store/selectors.js'
import { useView } from '../src/store/view-store.js'
import { demo, derive, idOf } from './build.js'

const plan = () => usePlanStore.getState().plan!
const triggers = (name: string): string[] => derive(plan()).triggersOf(idOf(plan(), name)).map(triggerKey)
const pastSteps = (): number => usePlanStore.temporal.getState().pastStates.length

beforeEach(() => {
  usePlanStore.getState().replace(demo())
  usePlanStore.temporal.getState().clear()
  useView.setState({ displaced: [] })
  endEditGroup()
})

describe('undo', () => {
  test('takes back one change and gives it again', () => {
    place({ commandId: idOf(plan(), 'Hide shape'), trigger: chord('KeyH') }, 'H')
    expect(triggers('Hide shape')).toEqual(['KeyH'])
    undo()
    expect(triggers('Hide shape')).toEqual([])
    redo()
    expect(triggers('Hide shape')).toEqual(['KeyH'])
  })
  test('takes typing in one field back as one step, and the next field as another', () => {
    const id = idOf(plan(), 'Measure')
    const { edit } = usePlanStore.getState()
    for (const name of ['Measure ', 'Measure d', 'Measure distance'])
      edit((p) => editCommand(p, id, { name }), `${id} name`)
    endEditGroup()
    for (const usesPerHour of [1, 12]) edit((p) => editCommand(p, id, { usesPerHour }), `${id} uses`)
    expect(pastSteps()).toBe(2)
    undo()
    expect(plan().commands.find((c) => c.id === id)).toMatchObject({
      name: 'Measure distance',
      usesPerHour: demo().commands.find((c) => c.id === id)!.usesPerHour,
    })
    undo()
    expect(plan().commands.find((c) => c.id === id)!.name).toBe('Measure')
  })
  test('covers opening another plan', () => {
    openPlan(emptyPlan(), 'new')
    expect(plan().commands).toEqual([])
    undo()
    expect(plan()).toEqual(demo())
  })
  test('knows nothing of a change that changes nothing', () => {
    usePlanStore.getState().edit((p) => p)
    expect(pastSteps()).toBe(0)
  })
})

describe('placing', () => {
  test('a command that loses its key is listed as displaced, latest first, until it has a place again', () => {
    place(
      {
        commandId: idOf(plan(), 'Draw freehand'),
        trigger: chord('Digit2'),
        displaced: [idOf(plan(), 'Draw straight')],
      },
      '2',
    )
    place(
      {
        commandId: idOf(plan(), 'Hide shape'),
        trigger: chord('KeyG'),
        displaced: [idOf(plan(), 'Show grid')],
      },
      'G',
    )
    expect(useView.getState().displaced).toEqual([idOf(plan(), 'Show grid'), idOf(plan(), 'Draw straight')])
    place({ commandId: idOf(plan(), 'Draw straight'), trigger: chord('KeyH') }, 'H')
    expect(useView.getState().displaced).toEqual([idOf(plan(), 'Show grid')])
  })
  test('a swap leaves nobody without a place', () => {
    place(
      {
        commandId: idOf(plan(), 'Draw freehand'),
        trigger: chord('Digit2'),
        displaced: [idOf(plan(), 'Draw straight')],
        swapTo: chord('Digit1'),
      },
      '2',
    )
    expect(triggers('Draw freehand')).toEqual(['Digit2'])
    expect(triggers('Draw straight')).toEqual(['Digit1'])
    expect(useView.getState().displaced).toEqual([])
  })
  test('taking off leaves the command unplaced', () => {
    remove(idOf(plan(), 'Draw freehand'), chord('Digit1'), '1')
    expect(triggers('Draw freehand')).toEqual([])
  })
  test('on the defaults goes into a copy, in one step', () => {
    usePlanStore.getState().edit((p) => chooseArrangement(p, 'defaults'))
    const before = plan().arrangements.find((a) => a.id === 'defaults')
    onEditable((p) => editCommand(p, idOf(p, 'Measure'), { label: 'M' }))
    expect(plan().activeArrangementId).toBe('program-defaults-copy')
    expect(plan().arrangements.find((a) => a.id === 'defaults')).toEqual(before)
    undo()
    expect(plan().activeArrangementId).toBe('defaults')
    expect(plan().arrangements).toHaveLength(2)
  })
})

describe('what is derived', () => {
  test('is computed once for each state of the plan', () => {
    expect(derive(plan())).toBe(derive(plan()))
    const before = derive(plan())
    usePlanStore.getState().edit((p) => editCommand(p, idOf(p, 'Measure'), { usesPerHour: 1 }))
    expect(derive(plan())).not.toBe(before)
  })
  test('has the demo’s faults: each kind that the check knows', () => {
    const { clashes } = derive(plan())
    expect(new Set(clashes.map((c) => c.stage))).toEqual(
      new Set(['device', 'system', 'browser', 'typing', 'context', 'relay', 'slip', 'consistency']),
    )
    expect(new Set(clashes.map((c) => c.id)).size).toBe(clashes.length)
  })
  test('names the sets of modifiers and held controls that an arrangement uses, each once', () => {
    const sets = heldSetsUsed(derive(plan()).arrangement).map((l) =>
      [...l.held, l.withId].filter(Boolean).join('+'),
    )
    expect(new Set(sets).size).toBe(sets.length)
    expect(sets).toEqual(expect.arrayContaining(['', 'Shift', 'Control', 'AltGraph', 'pad/k16']))
  })
})

test('a plan’s file is named after it, without signs that a file system refuses', () => {
  expect(planFileName({ ...emptyPlan(), name: 'Desk: a/b "x" ü' })).toBe('Desk ab x ü.reachplot.json')
  expect(planFileName({ ...emptyPlan(), name: '///' })).toBe('plan.reachplot.json')
})
