import { beforeEach, describe, expect, test, vi } from 'vitest'
import { activeArrangement, clashStages, controlRefOf, heldOf, triggerKey } from '@reach-plot/core'
import { useClashDetail } from '../../src/features/clashes/use-clash-detail.js'
import { useFindings } from '../../src/features/clashes/use-findings.js'
import { useMachine } from '../../src/features/clashes/use-machine.js'
import { countIn, useMatrix } from '../../src/features/clashes/use-matrix.js'
import { useProbeRun } from '../../src/features/clashes/use-probe-run.js'
import { useModifierSetList } from '../../src/features/lookup/use-modifier-set-list.js'
import { useIdeas } from '../../src/features/mnemonics/use-ideas.js'
import { useMnemonics } from '../../src/features/mnemonics/use-mnemonics.js'
import { useTry } from '../../src/features/try/use-try.js'
import { undo } from '../../src/store/plan-store.js'
import { useView } from '../../src/store/view-store.js'
import { doing, open, planNow, screenOf, until } from './screen.js'

vi.mock('../../src/worker/reach-client.js', async () => {
  const { reachInPlace } = await import('./screen.js')
  const service = reachInPlace()
  return { reachService: () => service }
})

beforeEach(() => open())

describe('findings', () => {
  test('are narrowed by stage, words and key; the numbers of the matrix are those of the list', async () => {
    const { result } = screenOf(useFindings)
    const matrix = screenOf(useMatrix).result
    expect(result.current.listed).toHaveLength(result.current.total)
    const rows = matrix.current!.devices
    for (const stage of clashStages) {
      await doing(() => result.current.setFilter({ stage, ids: null }))
      expect(result.current.listed.every((c) => c.stage === stage)).toBe(true)
      expect(result.current.listed).toHaveLength(rows.reduce((sum, r) => sum + countIn(r, stage), 0))
    }
    const busiest = matrix.current!.contexts.toSorted((a, b) => b.clashes.length - a.clashes.length)[0]!
    await doing(() => matrix.current!.show(busiest.clashes, null))
    expect(result.current.listed.map((c) => c.id).toSorted()).toEqual(
      busiest.clashes.map((c) => c.id).toSorted(),
    )
    await doing(() => result.current.setFilter({ stage: null, ids: null }))
    await doing(() => result.current.find.setQuery('no finding says this'))
    expect(result.current.listed).toEqual([])
  })
  test('each remedy that is offered mends its finding, in one step of undo', async () => {
    const findings = screenOf(useFindings).result
    const withRemedies: string[] = []
    for (const clash of findings.current.listed.slice(0, 12)) {
      open()
      const { result, unmount } = screenOf(() => useClashDetail({ clash, note: null }))
      await until(() => result.current.ready)
      const remedy = result.current.remedies[0]
      if (remedy) {
        withRemedies.push(clash.id)
        const before = planNow()
        await doing(() => result.current.apply(remedy))
        const after = screenOf(useFindings).result
        expect(after.current.listed.map((c) => c.id)).not.toContain(clash.id)
        await doing(undo)
        expect(planNow()).toBe(before)
      }
      unmount()
    }
    expect(withRemedies.length).toBeGreaterThan(3)
  }, 60_000)
  test('one is shown on the plot with the modifiers that it holds', async () => {
    const clash = screenOf(useFindings).result.current.listed.find((c) => c.trigger.kind === 'chord')!
    const { result } = screenOf(() => useClashDetail({ clash, note: null }))
    await doing(() => result.current.showOnPlot())
    expect(useView.getState().commandId).toBeNull()
    expect(useView.getState().controlRef).toBe(controlRefOf(clash.trigger))
    expect(useView.getState().chosenHeld).toEqual(heldOf(clash.trigger))
  })
  test('a dump of settings that is none changes nothing', async () => {
    const { result } = screenOf(useMachine)
    const before = planNow()
    await doing(() => void result.current.importDump(new File(['not a dump at all ['], 'dump.txt')))
    await doing(() => void result.current.importDump(undefined))
    expect(planNow()).toBe(before)
    const dump = "org.gnome.desktop.wm.keybindings close ['<Super>w']"
    await doing(() => void result.current.importDump(new File([dump], 'dump.txt')))
    expect(planNow().ownSystemKeys.gnome!.own.length).toBeGreaterThan(0)
  })
  test('the probe asks for doubtful chords one after another and keeps what was said', async () => {
    const { result } = screenOf(useProbeRun)
    expect(result.current.open.length).toBeGreaterThan(0)
    const [first, second] = result.current.open as [never, never]
    await doing(() => result.current.setQueue([first, second]))
    expect(triggerKey(result.current.chord!)).toBe(triggerKey(first))
    await doing(() => result.current.settle('swallowed'))
    expect(result.current.resultOf(first)).toBe('swallowed')
    expect(triggerKey(result.current.chord!)).toBe(triggerKey(second))
    await doing(() => result.current.next())
    expect(result.current.chord).toBeNull()
    expect(result.current.resultOf(second)).toBeUndefined()
  })
})

describe('trying', () => {
  test('a key runs its command in the program in use; the latest stands first; a dial asks which way', async () => {
    useView.setState({ programId: 'fenmap', contextId: null })
    const { result } = screenOf(useTry)
    await doing(() => result.current.onControl('KeyD'))
    await doing(() => result.current.onControl('KeyA'))
    expect(result.current.presses.map((p) => p.n)).toEqual([2, 1])
    expect(result.current.presses[1]!.trace.commandIds).toHaveLength(1)
    await doing(() => result.current.onControl('pad/dial'))
    expect(result.current.ways!.triggers.length).toBeGreaterThan(1)
    expect(result.current.presses).toHaveLength(2)
  })
})

describe('looking up', () => {
  test('free, bound and taken keys of a modifier set, by the same counts as the rows', async () => {
    const { result } = screenOf(() => useModifierSetList({ onLookUp: () => undefined }))
    for (const held of [[], ['Control'], ['Meta']] as const) {
      await doing(() => result.current.setHeld(held))
      for (const show of ['all', 'bound', 'free', 'kept'] as const) {
        await doing(() => result.current.setShow(show))
        expect(result.current.rows).toHaveLength(result.current.counts[show])
      }
      expect(result.current.counts.all).toBeGreaterThan(60)
    }
    expect(result.current.heldName).toBe('Super')
  })
})

describe('memory', () => {
  test('the weakest links come first; commands of other programs are left out when one is chosen', async () => {
    const { result } = screenOf(useMnemonics)
    const losses = result.current!.recalls.map((r) => r.loss)
    expect(losses).toEqual(losses.toSorted((a, b) => b - a))
    await doing(() => result.current!.setProgramId('reedcall'))
    expect(result.current!.recalls.every((r) => r.command.programId === 'reedcall')).toBe(true)
    expect(result.current!.recalls.length).toBeGreaterThan(0)
  })
  test('an idea that stands on two keys is put on one, and undo parts it again', async () => {
    const { result } = screenOf(useIdeas)
    const found = result.current.differing.find((d) => d.fix !== null)!
    const before = planNow()
    await doing(() => result.current.remedy(found))
    const now = activeArrangement(planNow()).placements
    for (const move of found.fix!)
      expect(
        now.some((p) => p.commandId === move.command.id && triggerKey(p.trigger) === triggerKey(move.to)),
      ).toBe(true)
    await doing(undo)
    expect(planNow()).toBe(before)
  })
})
