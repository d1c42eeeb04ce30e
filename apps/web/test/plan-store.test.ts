import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { beforeEach, describe, expect, test } from 'vitest'
import { chooseArrangement, chord, emptyPlan, placeCommand, triggerKey, editCommand } from '@reach-plot/core'
import { onEditable, place, planFileName, remove } from '../src/store/actions.js'
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
  test('covers taking another state of the plan', () => {
    usePlanStore.getState().replace({ ...emptyPlan(), id: plan().id })
    expect(plan().commands).toEqual([])
    undo()
    expect(plan()).toEqual(demo())
  })
  test('a change that could not be read again is refused; nothing changes and nothing is to be undone', () => {
    const before = plan()
    const { edit } = usePlanStore.getState()
    edit((p) => ({ ...p, hoursPerDay: 9999 }))
    edit((p) => ({ ...p, activeBenchId: 'gone' }))
    edit((p) => ({
      ...p,
      ownSystemKeys: {
        gnome: { off: [], own: [{ modifiers: [undefined as never], action: 'x', code: 'KeyQ' }] },
      },
    }))
    expect(plan()).toBe(before)
    expect(pastSteps()).toBe(0)
  })
  test('a step of undo holds less than 30 kB', () => {
    setFlagsFromString('--expose-gc')
    const collect = runInNewContext('gc') as () => void
    const heapUsed = (): number => {
      collect()
      collect()
      return process.memoryUsage().heapUsed
    }
    const ids = plan().commands.map((c) => c.id)
    const keys = [...'QWERTYUIOPASDFGHJKLZXCVBNM'].map((c) => `Key${c}`)
    const step = (i: number): void => {
      const trigger = chord(keys[i % 26]!, i % 2 ? ['Control', 'Alt'] : ['Meta'])
      usePlanStore.getState().edit((p) => placeCommand(p, { commandId: ids[i % ids.length]!, trigger }))
      // what the screens ask for
      const { clashes, index } = derive(plan())
      expect(clashes.length + index.commands.size).toBeGreaterThan(0)
    }
    for (let i = 0; i < 20; i++) step(i)
    const before = heapUsed()
    const steps = 160
    for (let i = 20; i < 20 + steps; i++) step(i)
    expect(pastSteps()).toBe(steps + 20)
    const bytesPerStep = (heapUsed() - before) / steps
    console.log(`a step of undo holds ${(bytesPerStep / 1000).toFixed(1)} kB`)
    expect(bytesPerStep).toBeLessThan(30_000)
  }, 60_000)
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
      new Set(['device', 'system', 'host', 'typing', 'context', 'relay', 'slip', 'consistency']),
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
