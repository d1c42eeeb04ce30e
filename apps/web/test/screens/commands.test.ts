import { beforeEach, describe, expect, test, vi } from 'vitest'
import { activeArrangement, chord, commandKinds, emptyPlan } from '@reach-plot/core'
import { useBulkBar } from '../../src/features/commands/use-bulk-bar.js'
import { useCommandDialog } from '../../src/features/commands/use-command-dialog.js'
import { useCommandTable } from '../../src/features/commands/use-command-table.js'
import { useCommands } from '../../src/features/commands/use-commands.js'
import { chooseFile } from '../../src/parts/download.js'
import { undo } from '../../src/store/plan-store.js'
import { useView } from '../../src/store/view-store.js'
import { idOf } from '../build.js'
import { doing, open, planNow, screenOf } from './screen.js'

vi.mock('../../src/parts/download.js', () => ({ chooseFile: vi.fn(), download: vi.fn() }))

const file = (name: string, text: string): void => {
  vi.mocked(chooseFile).mockResolvedValue(new File([text], name))
}
const command = (name: string) => planNow().commands.find((c) => c.name === name)!
const placedIds = (): ReadonlySet<string> =>
  new Set(activeArrangement(planNow()).placements.map((p) => p.commandId))

beforeEach(() => open())

describe('which commands are listed', () => {
  test('by program, by kind and by words, together', async () => {
    const { result } = screenOf(useCommands)
    expect(result.current.shown).toHaveLength(planNow().commands.length)
    await doing(() => result.current.setProgramId('fenmap'))
    const own = result.current.shown.length
    expect(own).toBe(planNow().commands.filter((c) => c.programId === 'fenmap').length)
    await doing(() => result.current.setFilter('unplaced'))
    expect(result.current.shown.some((c) => placedIds().has(c.id))).toBe(false)
    expect(result.current.shown.length).toBeLessThan(own)
    await doing(() => result.current.setFilter('all'))
    await doing(() => result.current.find.setQuery('hide shap'))
    expect(result.current.shown[0]!.name).toBe('Hide shape')
  })
  test('by a pressed key', async () => {
    const { result } = screenOf(useCommands)
    await doing(() => result.current.find.setTrigger(chord('KeyD')))
    expect(result.current.shown.map((c) => c.name)).toContain('Add vertex')
    expect(result.current.shown.length).toBeLessThan(8)
  })
  test('those that a slip would harm, those with several keys, those never used', async () => {
    const { result } = screenOf(useCommands)
    await doing(() => result.current.setFilter('damage'))
    expect(result.current.shown.every((c) => c.damage)).toBe(true)
    await doing(() => result.current.setFilter('several'))
    const count = (id: string) => activeArrangement(planNow()).placements.filter((p) => p.commandId === id)
    expect(result.current.shown.every((c) => count(c.id).length > 1)).toBe(true)
    await doing(() => result.current.setFilter('unused'))
    expect(result.current.shown.every((c) => c.usesPerHour === 0)).toBe(true)
  })
})

describe('a row', () => {
  test('is edited under one undo step while one field is typed in', async () => {
    const { result } = screenOf(useCommands)
    const id = idOf(planNow(), 'Hide shape')
    const before = command('Hide shape').usesPerHour
    await doing(() => result.current.onEdit(id, { usesPerHour: 1 }, 'uses'))
    await doing(() => result.current.onEdit(id, { usesPerHour: 12 }, 'uses'))
    expect(command('Hide shape').usesPerHour).toBe(12)
    await doing(undo)
    expect(command('Hide shape').usesPerHour).toBe(before)
  })
  test('is deleted with its placements, and comes back with them', async () => {
    const { result } = screenOf(useCommands)
    const doomed = command('Add vertex')
    await doing(() => result.current.onDelete(doomed))
    expect(command('Add vertex')).toBeUndefined()
    expect(placedIds().has(doomed.id)).toBe(false)
    await doing(undo)
    expect(placedIds().has(doomed.id)).toBe(true)
  })
  test('is shown on the plot in its program and context', async () => {
    const { result } = screenOf(useCommands)
    const shown = command('Hide shape')
    await doing(() => result.current.onShow(shown))
    expect(useView.getState()).toMatchObject({ programId: 'fenmap', commandId: shown.id, controlRef: null })
  })
})

describe('commands that come in', () => {
  test('from a file are looked over first and change nothing until they are taken', async () => {
    const { result } = screenOf(useCommands)
    file('more.csv', 'program,command,usesPerHour\nFenmap,Flip shape,4\nFenmap,Flip layer,x\n')
    const before = planNow()
    await doing(() => void result.current.importCommands())
    expect(result.current.reading).toMatchObject({ fileName: 'more.csv' })
    expect(result.current.reading!.read.bad.map((b) => b.line)).toEqual([3])
    expect(planNow()).toBe(before)
    await doing(() => result.current.takeRead())
    expect(command('Flip shape').usesPerHour).toBe(4)
    await doing(undo)
    expect(command('Flip shape')).toBeUndefined()
  })
  test('placements with one bad line change nothing', async () => {
    const { result } = screenOf(useCommands)
    file('keys.csv', 'program,command,trigger\nFenmap,Hide shape,KeyH\nFenmap,No such command,KeyJ\n')
    const before = planNow()
    await doing(() => void result.current.importPlacements())
    expect(planNow()).toBe(before)
  })
  test('a file over the limit is refused before it is read', async () => {
    const { result } = screenOf(useCommands)
    const large = new File(['x'], 'large.csv')
    Object.defineProperty(large, 'size', { value: 1e9 })
    const text = vi.spyOn(large, 'text')
    vi.mocked(chooseFile).mockResolvedValue(large)
    await doing(() => void result.current.importCommands())
    expect(text).not.toHaveBeenCalled()
    expect(result.current.reading).toBeNull()
  })
})

describe('many at once', () => {
  test('uses are multiplied in one step; text that is no number is not taken', async () => {
    const chosen = planNow().commands.filter((c) => c.programId === 'fenmap' && c.usesPerHour > 0)
    const { result } = screenOf(() => useBulkBar({ chosen, onClear: () => undefined }))
    await doing(() => result.current.setFactor('much'))
    expect(result.current.good).toBe(false)
    await doing(() => result.current.setFactor('1,5'))
    expect(result.current).toMatchObject({ good: true, value: 1.5 })
    await doing(() =>
      result.current.each((c) => ({ usesPerHour: c.usesPerHour * result.current.value }), 'uses × 1.5'),
    )
    for (const before of chosen)
      expect(planNow().commands.find((c) => c.id === before.id)!.usesPerHour).toBe(before.usesPerHour * 1.5)
    expect(chosen.length).toBeGreaterThan(10)
    await doing(undo)
    expect(command(chosen[0]!.name).usesPerHour).toBe(chosen[0]!.usesPerHour)
  })
  test('contexts can be set only where all are of one program', () => {
    const mixed = ['fenmap', 'reedcall'].map((id) => planNow().commands.find((c) => c.programId === id)!)
    const { result } = screenOf(() => useBulkBar({ chosen: mixed, onClear: () => undefined }))
    expect(result.current.program).toBeUndefined()
  })
  test('with Shift a row is chosen with all between it and the last, in the order shown', async () => {
    let chosenIds: ReadonlySet<string> = new Set()
    const none = (): void => undefined
    const { result, rerender } = screenOf(() =>
      useCommandTable({
        commands: planNow().commands.slice(0, 10),
        chosenIds,
        onChosen: (ids) => (chosenIds = ids),
        onEdit: none,
        onDelete: none,
        onShow: none,
        onOpen: none,
        isMending: false,
        onKey: () => undefined,
      }),
    )
    const ids = result.current.sorted.map((r) => r.id)
    await doing(() => result.current.choose(ids[6]!, true, false))
    rerender()
    await doing(() => result.current.choose(ids[3]!, true, true))
    expect([...chosenIds].toSorted()).toEqual(ids.slice(3, 7).toSorted())
    rerender()
    await doing(() => result.current.choose(ids[4]!, false, false))
    expect(chosenIds.has(ids[4]!)).toBe(false)
  })
})

describe('one command in full', () => {
  test('its mates are those of its program without itself, and every field is set in the plan', async () => {
    const hide = command('Hide shape')
    const { result } = screenOf(() => useCommandDialog({ command: hide, onClose: () => undefined }))
    expect(result.current.mates.every((c) => c.programId === 'fenmap' && c.id !== hide.id)).toBe(true)
    for (const kind of commandKinds) {
      await doing(() => result.current.set({ kind }, 'kind'))
      expect(command('Hide shape').kind).toBe(kind)
    }
  })
})

test('an empty plan lists nothing and offers what is missing', () => {
  open(emptyPlan())
  const { result } = screenOf(useCommands)
  expect(result.current.shown).toEqual([])
  expect(result.current.chosen).toEqual([])
})
