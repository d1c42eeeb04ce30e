import { describe, expect, test } from 'vitest'
import {
  addLayer,
  deleteLayer,
  emptyPlan,
  fillLayer,
  makeBoardOwn,
  parseTrigger,
  readPlan,
  renameLayer,
  setLayerKey,
  setOpener,
  setTapHold,
  writePlan,
  type Chord,
  type Plan,
} from '../../src/index.js'
import { deleteControls } from '../../src/plan/edits/controls.js'

const own = makeBoardOwn(emptyPlan(), 'keyboard')
const [withLayer, layerId] = (() => {
  const { plan, result } = addLayer(own, 'keyboard')
  return [plan, result as string] as const
})()
const layersOf = (plan: Plan) => plan.devices[0]?.layers

describe('layers of a device', () => {
  test('are added, named, opened and filled, and come back from a file', () => {
    let plan = renameLayer(withLayer, 'keyboard', layerId, 'Nav')
    plan = setOpener(plan, 'keyboard', layerId, 'Space', 'tap-and-hold', 180)
    plan = setLayerKey(plan, 'keyboard', layerId, 'KeyD', parseTrigger('ArrowUp') as Chord)
    expect(layersOf(plan)).toEqual([
      {
        id: layerId,
        name: 'Nav',
        openedBy: [{ controlId: 'Space', how: 'tap-and-hold', holdMs: 180 }],
        keys: [{ controlId: 'KeyD', sends: [parseTrigger('ArrowUp')] }],
      },
    ])
    expect(readPlan(writePlan(plan), 'x')).toEqual(plan)
    const emptied = setOpener(
      setLayerKey(plan, 'keyboard', layerId, 'KeyD', null),
      'keyboard',
      layerId,
      'Space',
      null,
    )
    expect(layersOf(emptied)).toMatchObject([{ openedBy: [], keys: [] }])
  })

  test('are filled with carriers that no layer sends, never over what is there', () => {
    const opened = setOpener(withLayer, 'keyboard', layerId, 'KeyA', 'held')
    const sent = setLayerKey(opened, 'keyboard', layerId, 'KeyS', parseTrigger('F14') as Chord)
    const { plan, result: count } = fillLayer(sent, 'keyboard', layerId, ['KeyA', 'KeyS', 'KeyD', 'KeyF'])
    expect(count).toBe(2)
    expect(layersOf(plan)?.[0]?.keys.map((k) => [k.controlId, k.sends[0]?.code])).toEqual([
      ['KeyS', 'F14'],
      ['KeyD', 'F13'],
      ['KeyF', 'F15'],
    ])
  })

  test('the last one that goes leaves nothing behind', () => {
    expect(deleteLayer(withLayer, 'keyboard', layerId)).toEqual(own)
  })
})

test('a key holds a modifier when it is held, or only types again', () => {
  const plan = setTapHold(own, 'keyboard', 'KeyA', 'Control', 150)
  expect(plan.devices[0]?.tapHolds).toEqual([{ controlId: 'KeyA', holds: 'Control', holdMs: 150 }])
  expect(setTapHold(plan, 'keyboard', 'KeyA', null)).toEqual(own)
})

test('a control that is deleted opens, sends and holds nothing', () => {
  let plan = setOpener(withLayer, 'keyboard', layerId, 'KeyP', 'held')
  plan = setLayerKey(plan, 'keyboard', layerId, 'KeyO', parseTrigger('F13') as Chord)
  plan = setTapHold(plan, 'keyboard', 'KeyP', 'Alt')
  const gone = deleteControls(plan, 'keyboard', ['KeyP', 'KeyO'])
  expect(gone.devices[0]).toMatchObject({ layers: [{ openedBy: [], keys: [] }], tapHolds: [] })
  expect(() => readPlan(writePlan(gone), 'x')).not.toThrow()
})
