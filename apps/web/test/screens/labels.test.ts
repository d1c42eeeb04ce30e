import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { chooseArrangement, emptyPlan, setLabelRule } from '@reach-plot/core'
import { calibrationMarks, noCalibration, type Stock } from '@reach-plot/core/drawing'
import { useCalibrationDialog } from '../../src/features/labels/use-calibration-dialog.js'
import { firstSheet, useSheet, type SheetState } from '../../src/features/labels/use-sheet.js'
import { useStockDialog } from '../../src/features/labels/use-stock-dialog.js'
import { undo, usePlanStore, type Edit } from '../../src/store/plan-store.js'
import { useCalibrations, usePersonal } from '../../src/store/personal-store.js'
import { useSettings } from '../../src/store/settings-store.js'
import { doing, open, planNow, screenOf, until } from './screen.js'

vi.mock('../../src/worker/label-font.js', async () => {
  const { readLabelFont } = await import('../build.js')
  return { fetchLabelFont: () => Promise.resolve(readLabelFont()) }
})
vi.mock('../../src/worker/label-client.js', () => ({
  checkLabels: (labels: readonly unknown[]) => Promise.resolve(labels.map(() => ({ problems: [] }))),
  makeFile: vi.fn(),
}))
const icon = createRequire(import.meta.url)
vi.stubGlobal('fetch', (url: string) =>
  Promise.resolve(
    new Response(
      readFileSync(icon.resolve(`lucide-static/${url.includes('tags') ? 'tags.json' : 'icon-nodes.json'}`)),
    ),
  ),
)

const grid: Stock = {
  kind: 'grid',
  id: 'own-1',
  name: 'Small labels',
  media: 'iso_a4_210x297mm',
  labelWidthMm: 38,
  labelHeightMm: 21,
  round: false,
  rows: 13,
  columns: 5,
  pitchXMm: 40.5,
  pitchYMm: 21.5,
  leftMm: 5,
  topMm: 10,
}
const edit = (change: Edit): Promise<void> => doing(() => usePlanStore.getState().edit(change))

async function sheetOf(state: Partial<SheetState>) {
  const { result } = screenOf(() => useSheet({ ...firstSheet, ...state }))
  await until(() => result.current.sheet !== null || result.current.nothing !== '')
  return result
}

/** Calibrations as the sheet uses them: of shipped sizes, and of the plan's own. */
const known = () => screenOf(useCalibrations).result.current

beforeEach(() => {
  open()
  useSettings.getState().set({ calibrations: {} })
  usePersonal.getState().set({ calibrations: {} })
})

describe('the sheet', () => {
  test('has a label for each key with a command, by the kind that is chosen, and is checked', async () => {
    const result = await sheetOf({})
    const labels = result.current.sheet!.labels!.labels
    expect(labels.length).toBeGreaterThan(30)
    await until(() => result.current.checks.size === labels.length)
    for (const kind of ['list', 'card', 'calibration'] as const) {
      const other = await sheetOf({ kind })
      expect(other.current.sheet!.document.pages.length).toBeGreaterThan(0)
    }
  })
  test('says in a sentence why there is nothing to print', async () => {
    open(emptyPlan())
    const result = await sheetOf({ kind: 'list' })
    expect(result.current.sheet).toBeNull()
    expect(result.current.nothing).toMatch(/^[A-Z].*\. [A-Z].*\.$/)
  })
  test('is moved by the measured calibration of its stock, but a calibration page never is', async () => {
    const stockId = (await sheetOf({})).current.sheet!.stock.id
    const measured = { ...noCalibration, offsetXMm: 1.5 }
    useSettings.getState().set({ calibrations: { [stockId]: measured } })
    expect((await sheetOf({})).current.adjust.calibration).toEqual(measured)
    expect((await sheetOf({ kind: 'calibration' })).current.adjust.calibration).toEqual(noCalibration)
  })
  test('is mirrored for transfer, labels only', async () => {
    await edit((plan) => setLabelRule(plan, { mirror: true }))
    expect((await sheetOf({})).current.adjust.mirror).toBe(true)
    expect((await sheetOf({ kind: 'list' })).current.adjust.mirror).toBe(false)
  })
  test('follows the arrangement in use', async () => {
    const result = await sheetOf({})
    const before = result.current.title
    const other = planNow().arrangements.find((a) => a.id !== planNow().activeArrangementId)!
    await edit((plan) => chooseArrangement(plan, other.id))
    expect(result.current.title).not.toBe(before)
    expect(result.current.title).toContain(other.name)
  })
})

describe('a stock of one’s own', () => {
  test('is added beside what ships and its faults are said at the field', async () => {
    const onClose = vi.fn()
    const { result } = screenOf(() => useStockDialog({ stock: grid, onClose }))
    const set = (field: 'columns' | 'name', text: string): Promise<void> =>
      doing(() => result.current.form.setValue(field, text))
    for (const [text, says] of [
      ['', /^Columns: /],
      ['x', /^Columns: /],
      ['0', /^Columns: /],
      ['2.5', /^Columns: /],
    ] as const) {
      await set('columns', text)
      await doing(() => void result.current.save())
      expect(result.current.fault, text).toMatch(says)
    }
    expect(onClose).not.toHaveBeenCalled()
    await set('columns', '4')
    await set('name', 'Four across')
    await doing(() => void result.current.save())
    expect(onClose).toHaveBeenCalledOnce()
    expect(planNow().labels.stocks.at(-1)).toMatchObject({ name: 'Four across', columns: 4 })
    await doing(undo)
    expect(planNow().labels.stocks.some((s) => s.name === 'Four across')).toBe(false)
  })
})

describe('calibration', () => {
  test('marks measured where they should be need no correction; shifted ones are shifted back', async () => {
    const nominal = calibrationMarks(grid)
    const onClose = vi.fn()
    const { result } = screenOf(() => useCalibrationDialog({ stock: grid, onClose }))
    await doing(() => result.current.save())
    expect(known()['own-1']).toEqual(noCalibration)
    await doing(() =>
      result.current.setDraft({ ...result.current.draft, crossXMm: String(nominal.crossXMm + 2) }),
    )
    await doing(() => result.current.save())
    expect(known()['own-1']!.offsetXMm).toBeCloseTo(2, 1)
    expect(onClose).toHaveBeenCalledTimes(2)
  })
  test('what cannot have been measured is said, and nothing is kept', async () => {
    const { result } = screenOf(() => useCalibrationDialog({ stock: grid, onClose: () => undefined }))
    for (const acrossMm of ['', 'wide', '-3', '900']) {
      await doing(() => result.current.setDraft({ ...result.current.draft, acrossMm }))
      await doing(() => result.current.save())
      expect(result.current.fault, acrossMm).not.toBe('')
    }
    expect(known()).toEqual({})
  })
})
