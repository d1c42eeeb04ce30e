import { beforeEach, describe, expect, test, vi } from 'vitest'
import { createElement, type ReactNode } from 'react'
import { renderHook } from '@testing-library/react'
import { MemoryRouter, Outlet, Route, Routes } from 'react-router'
import { activeArrangement, activeBench, writeDevice, type DrawnDevice } from '@reach-plot/core'
import { useBenchMoves } from '../../src/features/bench/use-bench-moves.js'
import { useCarryBar } from '../../src/features/bench/use-carry-bar.js'
import { useDeskMap } from '../../src/drawing/use-desk-map.js'
import { useDeviceCommands } from '../../src/features/bench/use-device-commands.js'
import { useDeviceEditor } from '../../src/features/bench/use-device-editor.js'
import { useDeviceList } from '../../src/features/bench/use-device-list.js'
import { useEditorTools } from '../../src/features/bench/use-editor-tools.js'
import { useStrokeTable } from '../../src/features/bench/use-stroke-table.js'
import { chooseFile } from '../../src/parts/download.js'
import { undo } from '../../src/store/plan-store.js'
import { doing, open, planNow, screenOf } from './screen.js'

vi.mock('../../src/parts/download.js', () => ({ chooseFile: vi.fn(), download: vi.fn() }))

const drawn = (id: string): DrawnDevice => planNow().devices.find((d) => d.id === id) as DrawnDevice
const placed = (id: string) => activeBench(planNow()).devices.find((d) => d.deviceId === id)!
const press = (key: string, more: object = {}) =>
  ({ key, shiftKey: false, preventDefault: () => undefined, ...more }) as never

/** A hook of the page of one device. */
const onPageOf = <T>(id: string, use: () => T) =>
  renderHook(use, {
    wrapper: ({ children }: { children: ReactNode }) =>
      createElement(
        MemoryRouter,
        null,
        createElement(
          Routes,
          null,
          createElement(
            Route,
            { element: createElement(Outlet, { context: drawn(id) }) },
            createElement(Route, { path: '*', element: children }),
          ),
        ),
      ),
  })

beforeEach(() => open())

describe('the desk', () => {
  test('shows each device of the bench with its controls, in a box that holds them all', () => {
    const { result } = screenOf(() => useDeskMap({ chosenId: null, onChoose: () => undefined }))
    const { items, box } = result.current
    expect(items.map((i) => i.device.id)).toEqual(activeBench(planNow()).devices.map((d) => d.deviceId))
    for (const { print, controls } of items) {
      expect(controls.length).toBeGreaterThan(0)
      expect(print.x0).toBeGreaterThan(box.x0)
      expect(print.x1).toBeLessThan(box.x0 + box.width)
    }
  })
  test('arrow keys move a device by 5 mm, with Shift by 1, in one step of undo', async () => {
    const chosen = vi.fn()
    const { result } = screenOf(() => useDeskMap({ chosenId: null, onChoose: chosen }))
    const before = placed('pad')
    await doing(() => result.current.onKeyDown(press('ArrowRight'), placed('pad')))
    await doing(() => result.current.onKeyDown(press('ArrowUp', { shiftKey: true }), placed('pad')))
    expect(placed('pad')).toMatchObject({ xMm: before.xMm + 5, yMm: before.yMm - 1 })
    expect(chosen).toHaveBeenCalledWith('pad')
    await doing(undo)
    expect(placed('pad')).toEqual(before)
  })
  test('Enter chooses; other keys do nothing', async () => {
    const chosen = vi.fn()
    const before = planNow()
    const { result } = screenOf(() => useDeskMap({ chosenId: null, onChoose: chosen }))
    await doing(() => result.current.onKeyDown(press('Enter'), placed('deck')))
    await doing(() => result.current.onKeyDown(press('x'), placed('deck')))
    expect(chosen).toHaveBeenCalledExactlyOnceWith('deck')
    expect(planNow()).toBe(before)
  })
})

describe('devices', () => {
  test('one that was written is read back as another', async () => {
    const onChoose = vi.fn()
    const { result } = screenOf(() => useDeviceList({ chosenId: null, onChoose }))
    vi.mocked(chooseFile).mockResolvedValue(new File([writeDevice(drawn('pad'))], 'pad.json'))
    const before = planNow().devices.length
    await doing(() => void result.current.readFile())
    expect(planNow().devices).toHaveLength(before + 1)
    const added = planNow().devices.at(-1) as DrawnDevice
    expect(added.id).not.toBe('pad')
    expect(added.controls).toEqual(drawn('pad').controls)
    expect(onChoose).toHaveBeenCalledWith(added.id)
  })
  test('a broken file changes nothing', async () => {
    const { result } = screenOf(() => useDeviceList({ chosenId: null, onChoose: () => undefined }))
    const before = planNow()
    for (const text of ['', '{', '{"kind":"drawn"}', '[]']) {
      vi.mocked(chooseFile).mockResolvedValue(new File([text], 'broken.json'))
      await doing(() => void result.current.readFile())
    }
    expect(planNow()).toBe(before)
  })
  test('rows of new controls come below what is there and are chosen', async () => {
    const onChosen = vi.fn()
    const { result } = screenOf(() => useEditorTools({ device: drawn('pad'), chosen: [], onChosen }))
    const before = drawn('pad').controls
    await doing(() => {
      result.current.setColumns(3)
      result.current.setRows(2)
    })
    await doing(() => result.current.add())
    const added = drawn('pad').controls.slice(before.length)
    expect(added).toHaveLength(6)
    expect(onChosen).toHaveBeenCalledWith(added.map((c) => c.id))
    const lowest = Math.max(...before.map((c) => c.yMm + c.heightMm / 2))
    for (const c of added) expect(c.yMm - c.heightMm / 2).toBeGreaterThan(lowest)
  })
  test('controls are chosen one by one or together, and moved by arrows', async () => {
    const { result } = onPageOf('pad', useDeviceEditor)
    const [a, b] = drawn('pad').controls.map((c) => c.id) as [string, string]
    await doing(() => result.current.onKeyDown(press('Enter'), a))
    await doing(() => result.current.onKeyDown(press(' ', { shiftKey: true }), b))
    expect(result.current.known).toEqual([a, b])
    const [x, y] = [a, b].map((id) => drawn('pad').controls.find((c) => c.id === id)!.xMm) as [number, number]
    await doing(() => result.current.onKeyDown(press('ArrowLeft'), a))
    expect(drawn('pad').controls.find((c) => c.id === a)!.xMm).toBe(x - 1)
    expect(drawn('pad').controls.find((c) => c.id === b)!.xMm).toBe(y - 1)
    await doing(() => result.current.onKeyDown(press('Enter', { shiftKey: true }), a))
    expect(result.current.known).toEqual([b])
  })
})

describe('commands on a device', () => {
  test('lie by control, those of the open page only', async () => {
    const { result } = onPageOf('deck', useDeviceCommands)
    const pages = drawn('deck').pages
    const shown = (): number =>
      result.current.controls
        .flatMap((c) => result.current.byControlRef.get(`deck/${c.id}`) ?? [])
        .filter((p) => result.current.onPage(p.trigger)).length
    const counts: number[] = []
    for (const page of pages) {
      await doing(() => result.current.setPageId(page.id))
      expect(result.current.page?.id).toBe(page.id)
      counts.push(shown())
    }
    const all = activeArrangement(planNow()).placements.filter(
      (p) => 'deviceId' in p.trigger && p.trigger.deviceId === 'deck' && 'pageId' in p.trigger,
    )
    expect(counts.reduce((sum, n) => sum + n, 0)).toBe(all.length)
    expect(counts.filter((n) => n > 0).length).toBeGreaterThan(1)
  })
  test('strokes stand by program and context, one column for each', () => {
    const device = planNow().devices.find(
      (d): d is DrawnDevice => d.kind === 'drawn' && d.controls.some((c) => c.type === 'field'),
    )!
    const field = device.controls.find((c) => c.type === 'field')!
    const { result } = screenOf(() => useStrokeTable({ device, field, onPlace: () => undefined }))
    expect(result.current.of).toBe(field.directions ?? 8)
    expect(result.current.columns).toHaveLength(
      planNow().programs.reduce((sum, p) => sum + p.contexts.length, 0),
    )
  })
  test('buttons are carried to another page in the order in which they lie, and back by undo', async () => {
    const deck = drawn('deck')
    const [from, to] = deck.pages as [DrawnDevice['pages'][number], DrawnDevice['pages'][number]]
    const on = (pageId: string) =>
      activeArrangement(planNow()).placements.filter(
        (p) => p.trigger.kind === 'button' && p.trigger.deviceId === 'deck' && p.trigger.pageId === pageId,
      )
    const ids = on(from.id).flatMap((p) => (p.trigger.kind === 'button' ? p.trigger.controlId : []))
    const onDone = vi.fn()
    const { result } = screenOf(() =>
      useCarryBar({ device: deck, pageId: from.id, controlIds: ids.toReversed(), onDone }),
    )
    await doing(() => result.current.setToKey(`deck@${to.id}`))
    const before = planNow()
    await doing(() => result.current.run(true))
    expect(onDone).toHaveBeenCalledOnce()
    expect(on(from.id).length + on(to.id).length).toBe(
      activeArrangement(before).placements.filter(
        (p) =>
          p.trigger.kind === 'button' &&
          p.trigger.deviceId === 'deck' &&
          [from.id, to.id].includes(p.trigger.pageId ?? ''),
      ).length,
    )
    await doing(undo)
    expect(planNow()).toBe(before)
  })
})

describe('another bench', () => {
  test('says what is lost there; a plan with one bench has nothing to say', () => {
    const { result } = screenOf(useBenchMoves)
    expect(result.current!.to.id).not.toBe(activeBench(planNow()).id)
    expect(result.current!.others.map((b) => b.id)).not.toContain(activeBench(planNow()).id)
    const plan = planNow()
    open({ ...plan, benches: plan.benches.filter((b) => b.id === plan.activeBenchId) })
    expect(screenOf(useBenchMoves).result.current).toBeNull()
  })
})
