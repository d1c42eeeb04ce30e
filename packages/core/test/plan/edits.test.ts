import { describe, expect, test } from 'vitest'
import {
  addBench,
  addContext,
  addControls,
  addModel,
  addPage,
  addPopup,
  addProgram,
  addStep,
  addUnknown,
  align,
  carryButtons,
  chooseArrangement,
  deleteBench,
  deleteCommand,
  deleteContext,
  deleteControls,
  deleteDevice,
  deletePage,
  deletePopup,
  deleteProgram,
  deleteRoutine,
  editContext,
  editPopup,
  editRoutine,
  mirrorActiveBench,
  moveStep,
  moveToProgram,
  parseTrigger,
  placeCommand,
  removeStep,
  setDirections,
  setHome,
  setOpens,
  setOverlap,
  setRest,
  takeOffBench,
  triggerKey,
  turnDevice,
  type Alignment,
  type Chord,
  type DrawnDevice,
  type Plan,
  type Trigger,
  type UsageReport,
} from '../../src/index.js'
import { deviceModels } from '@reach-plot/data'
import { after, demo, idOf } from './after.js'

const drawn = (plan: Plan, id: string): DrawnDevice => plan.devices.find((d) => d.id === id) as DrawnDevice
const placed = (plan: Plan, id: string) => plan.benches[0]!.devices.find((d) => d.deviceId === id)
const on = (plan: Plan, key: string): string[] =>
  plan.arrangements
    .find((a) => a.id === 'draft-1')!
    .placements.filter((p) => triggerKey(p.trigger) === key)
    .map((p) => p.commandId)

describe('benches', () => {
  const model = deviceModels.find((m) => m.id === 'pad-15')!
  test('a device of the catalogue is added beside what stands there, twice under two names', () => {
    const plan = after(
      (p) => addModel(p, model),
      (p) => addModel(p, model),
    )
    expect(plan.devices.slice(-2).map((d) => [d.id, d.name])).toEqual([
      ['pad-15', 'Pad of 15 keys and a dial'],
      ['pad-15-2', 'Pad of 15 keys and a dial 2'],
    ])
    expect(placed(plan, 'pad-15')!.xMm).toBeGreaterThan(placed(plan, 'mouse')!.xMm)
  })
  test('turning keeps the middle of the device where it is', () => {
    const plan = after((p) => turnDevice(p, 'pad', 90))
    const { widthMm, heightMm } = drawn(plan, 'pad')
    expect(placed(plan, 'pad')!.xMm - heightMm / 2).toBeCloseTo(-126 + widthMm / 2)
  })
  test('the home of the hand cannot be taken off or deleted; another device can', () => {
    const plan = after(
      (p) => deleteDevice(p, 'keyboard'),
      (p) => takeOffBench(p, 'keyboard'),
      (p) => deleteDevice(p, 'pad'),
    )
    expect(placed(plan, 'keyboard')).toBeDefined()
    expect(plan.devices.some((d) => d.id === 'pad')).toBe(false)
  })
  test('a new home remembers where the fingertips rested on the old one', () => {
    const plan = after(
      (p) => setHome(p, 'pad'),
      (p) => setRest(p, 'index', 'k10'),
    )
    expect(plan.benches[0]!.hands[0]).toMatchObject({
      deviceId: 'pad',
      rests: { index: 'k10', little: 'k6' },
    })
    const back = after(
      (p) => setHome(p, 'pad'),
      (p) => setHome(p, 'keyboard'),
    )
    expect(back.benches[0]!.hands[0]!.rests.index).toBe('KeyF')
  })
  test('benches are copied, mirrored and deleted', () => {
    const plan = after((p) => addBench(p, 'Ship', p.benches[0]!), mirrorActiveBench)
    expect(plan.activeBenchId).toBe('ship')
    expect(plan.benches[2]!.hands[0]!.side).toBe('right')
    expect(after((p) => addBench(p, 'Bare', null)).benches[2]!.devices).toHaveLength(1)
    expect(after((p) => deleteBench(p, 'desk')).activeBenchId).toBe('travel')
  })
})

describe('devices of one’s own', () => {
  test('a grid of keys is added with ids of its own, and the outline grows', () => {
    const sample = { type: 'key', shape: 'rect', widthMm: 18, heightMm: 18, code: null } as const
    const plan = after((p) => addControls(p, 'pad', sample, { xMm: 15, yMm: 140 }, 3, 2, 19.05))
    expect(drawn(plan, 'pad').controls).toHaveLength(27)
    expect(drawn(plan, 'pad').heightMm).toBeGreaterThan(165)
  })
  test('controls are aligned with the first and spread evenly', () => {
    const of = (how: Alignment) =>
      drawn(
        after((p) => align(p, 'pad', ['dial', 'k1', 'k3'], how)),
        'pad',
      ).controls
    const get = (list: DrawnDevice['controls'], id: string) => list.find((c) => c.id === id)!
    const size = of('size')
    expect(get(size, 'k3').widthMm).toBe(26)
    const left = of('left')
    expect(get(left, 'k1').xMm - 9).toBeCloseTo(get(left, 'dial').xMm - 13)
    const across = of('across')
    const xs = ['dial', 'k1', 'k3'].map((id) => get(across, id).xMm).sort((a, b) => a - b)
    expect(xs[1]! - xs[0]!).toBeCloseTo(xs[2]! - xs[1]!)
  })
  test('deleting a control under a fingertip moves the fingertip', () => {
    const plan = after(
      (p) => setHome(p, 'pad'),
      (p) => deleteControls(p, 'pad', ['k8', 'k16']),
    )
    const { rests } = plan.benches[0]!.hands[0]!
    expect(Object.values(rests)).not.toContain('k8')
  })
  test('with more directions, strokes in directions that both counts have keep their commands', () => {
    const plan = after((p) => setDirections(p, 'mouse', 'field', 4))
    expect(on(plan, 'mouse/field stroke 1/4')).toContain(idOf(plan, 'Next fault'))
    expect(on(plan, 'mouse/field stroke 2/4')).toContain(idOf(plan, 'Measure'))
  })
})

describe('pages and buttons', () => {
  const from = { deviceId: 'deck', pageId: 'features', controlIds: ['b1', 'b2', 'b3'] }
  test('buttons are copied with what they send, and stay', () => {
    const plan = after((p) =>
      carryButtons(p, from, { deviceId: 'pad', pageId: undefined, controlIds: ['k17', 'k18', 'k19'] }, false),
    )
    expect(on(plan, 'pad/k17')).toEqual([idOf(plan, 'Channel')])
    expect(on(plan, 'deck@features/b1')).toEqual([idOf(plan, 'Channel')])
    const copy = plan.arrangements[1]!.placements.find((p) => triggerKey(p.trigger) === 'pad/k17')
    expect(copy!.sends!.map(triggerKey)).toEqual(['KeyC'])
  })
  test('moving within a page shifts them, even onto each other’s places', () => {
    const plan = after((p) =>
      carryButtons(
        p,
        { ...from, controlIds: ['b3', 'b2', 'b1'] },
        { ...from, controlIds: ['b4', 'b3', 'b2'] },
        true,
      ),
    )
    // b4 holds the reed bed already, so the first stays; the others have moved up
    expect(on(plan, 'deck@features/b4')).toEqual([idOf(plan, 'Reed bed')])
    expect(on(plan, 'deck@features/b3')).toContain(idOf(plan, 'Saltmarsh'))
  })
  test('nothing that stands there is lost: taken places are left out and counted', () => {
    const to = { deviceId: 'pad', pageId: undefined, controlIds: ['k1', 'k20'] }
    const plan = after((p) => carryButtons(p, from, to, true))
    expect(carryButtons(demo(), from, to, true).result).toEqual({ done: 1, left: 2 })
    expect(on(plan, 'pad/k1')).toContain(idOf(plan, 'Simplify'))
    expect(on(plan, 'deck@features/b1')).toEqual([idOf(plan, 'Channel')])
    expect(on(plan, 'pad/k20')).toEqual([idOf(plan, 'Sandbank')])
  })
  test('a first page takes what stood on the device; a page goes with what stands on it', () => {
    const paged = after((p) => addPage(p, 'pad', 'First'))
    expect(on(paged, 'pad@first/k1')).toContain(idOf(paged, 'Simplify'))
    const gone = after((p) => deletePage(p, 'deck', 'features'))
    expect(on(gone, 'deck@features/b1')).toEqual([])
    expect(drawn(gone, 'deck').pages[0]!.opens).toEqual([])
  })
  test('a control opens a page, goes back, or carries commands again', () => {
    const plan = after(
      (p) => setOpens(p, 'deck', 'fenmap', 'b14', null),
      (p) => setOpens(p, 'deck', 'fenmap', 'b15', undefined),
    )
    expect(drawn(plan, 'deck').pages[0]!.opens).toEqual([{ controlId: 'b14', pageId: null }])
  })
})

test('placing on a key leaves the command’s triggers on other devices alone, and a relay is kept with its control', () => {
  const id = idOf(demo(), 'Simplify')
  const plan = after((p) => placeCommand(p, { commandId: id, trigger: parseTrigger('KeyH') }))
  const mine = plan.arrangements[1]!.placements.filter((p) => p.commandId === id)
  expect(mine.map((p) => triggerKey(p.trigger)).sort()).toEqual(['KeyH', 'pad/k1'])
  const sent = after((p) =>
    placeCommand(p, {
      commandId: id,
      trigger: parseTrigger('pad/k20'),
      sends: [parseTrigger('KeyH') as Chord],
    }),
  )
  expect(
    sent.arrangements[1]!.placements.find((p) => triggerKey(p.trigger) === 'pad/k20')!.sends,
  ).toHaveLength(1)
  expect(on(sent, 'pad/k1')).not.toContain(id)
})

test('pop-up sets are made, changed with what stands on them, and deleted', () => {
  const opener = parseTrigger('touch/left+touch/right') as Trigger
  const made = after(
    (p) => addPopup(p, 'Under the thumb', opener),
    (p) => editPopup(p, 'under-the-thumb', { entries: 4, at: 'fingertip' }),
  )
  expect(made.arrangements[1]!.popups[1]).toMatchObject({ entries: 4, at: 'fingertip', opener })
  const fewer = after((p) => editPopup(p, 'shapes', { entries: 2 }))
  expect(on(fewer, 'popup/shapes 2')).toHaveLength(2)
  expect(on(fewer, 'popup/shapes 3')).toEqual([])
  expect(
    on(
      after((p) => deletePopup(p, 'shapes')),
      'popup/shapes 1',
    ),
  ).toEqual([])
  const defaults = after(
    (p) => chooseArrangement(p, 'defaults'),
    (p) => addPopup(p, 'X', opener),
  )
  expect(defaults.arrangements[0]!.popups).toEqual([])
})

describe('programs and commands', () => {
  test('programs and contexts come and go; commands stay live somewhere', () => {
    const plan = after(
      (p) => addProgram(p, 'Tidebook'),
      (p) => addContext(p, 'tidebook', 'Tables'),
      (p) => setOverlap(p, 'tidebook', 'main', 'tables', true),
      (p) => editContext(p, 'tidebook', 'tables', { everywhere: true }),
      (p) => deleteContext(p, 'fenmap', 'labelling'),
      (p) => deleteProgram(p, 'fenmap'),
    )
    expect(plan.programs.at(-1)).toMatchObject({
      id: 'tidebook',
      contexts: [{ overlaps: ['tables'] }, { everywhere: true }],
    })
    expect(plan.commands.find((c) => c.name === 'Halo')!.contextIds).toEqual([])
    expect(plan.programs.some((p) => p.id === 'fenmap')).toBe(true)
    expect(
      after(
        (p) => addProgram(p, 'X'),
        (p) => deleteProgram(p, 'x'),
      ).programs,
    ).toHaveLength(2)
  })
  test('a command that changes its program or goes leaves no ties behind', () => {
    const id = idOf(demo(), 'Draw straight')
    const moved = after((p) => moveToProgram(p, id, 'reedcall'))
    expect(moved.commands.find((c) => c.name === 'Draw curve')!.siblingIds).not.toContain(id)
    const hide = idOf(demo(), 'Hide shape')
    const gone = after((p) => deleteCommand(p, hide))
    expect(
      gone.routines.flatMap((r) => r.steps).some((s) => s.kind === 'command' && s.commandId === hide),
    ).toBe(false)
  })
})

describe('routines and unknown commands', () => {
  test('steps are added, moved and taken out; the last one stays', () => {
    const plan = after(
      (p) => addStep(p, 'routine-1', { kind: 'drag' }),
      (p) => moveStep(p, 'routine-1', 4, 0),
      (p) => removeStep(p, 'routine-1', 1),
      (p) => editRoutine(p, 'routine-1', { name: 'Check' }),
    )
    expect(plan.routines[0]).toMatchObject({ name: 'Check', steps: [{ kind: 'drag' }, {}, {}, {}] })
    expect(after((p) => deleteRoutine(p, 'routine-1')).routines).toEqual(demo().routines.slice(1))
  })
  test('commands that only the log knows are added with their program and context', () => {
    const report = {
      unknown: [
        { program: 'Tidebook', context: 'Tables', command: 'Fold', rows: 3 },
        { program: 'Fenmap', context: 'Tracing', command: 'Fold', rows: 1 },
      ],
    } as unknown as UsageReport
    const plan = after((p) => addUnknown(p, report))
    expect(plan.commands.slice(-2).map((c) => [c.programId, ...c.contextIds])).toEqual([
      ['tidebook', 'tables'],
      ['fenmap', 'tracing'],
    ])
  })
})
