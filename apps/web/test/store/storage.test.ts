// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import localforage from 'localforage'
import { writePlan } from '@reach-plot/core'
import { clearJournal, loadStored, readJournal, savePlan, writeJournal } from '../../src/store/storage.js'
import { demo } from '../build.js'

const store = localforage.createInstance({ name: 'reach-plot', storeName: 'plan' })
const text = writePlan(demo())
const longer = writePlan({ ...demo(), hoursPerDay: 11 })

beforeEach(async () => {
  // one tab, so nobody else holds the lock
  vi.stubGlobal('navigator', { locks: { request: (_name: string, run: () => unknown) => run() } })
  localStorage.clear()
  await store.clear()
})

describe('the stored plan', () => {
  test('nothing is stored at first', async () => {
    expect(await loadStored()).toBeNull()
  })
  test('what is saved comes back, under a number that rises', async () => {
    expect(await savePlan(text, 0)).toEqual({ ok: true, revision: 1 })
    expect(await savePlan(longer, 1)).toEqual({ ok: true, revision: 2 })
    expect((await loadStored())!.revision).toBe(2)
    expect((await loadStored())!.plan.hoursPerDay).toBe(11)
  })
  test('a tab that has not seen the last save writes nothing', async () => {
    await savePlan(text, 0)
    expect(await savePlan(longer, 0)).toEqual({ ok: false, storedRevision: 1 })
    expect((await loadStored())!.plan.hoursPerDay).toBe(demo().hoursPerDay)
  })
  test('the same plan in two tabs has nothing to settle', async () => {
    await savePlan(text, 0)
    expect(await savePlan(text, 0)).toEqual({ ok: true, revision: 1 })
  })
  test('forced, it writes over the other tab’s, under a higher number', async () => {
    await savePlan(text, 0)
    await savePlan(longer, 1)
    expect(await savePlan(text, 1, true)).toEqual({ ok: true, revision: 3 })
    expect((await loadStored())!.plan.hoursPerDay).toBe(demo().hoursPerDay)
  })
  test('one that no longer reads is put aside, said once, and never thrown away', async () => {
    await store.setItem('current', { revision: 7, text: '{"format":"reachplot-plan","version":1}' })
    await expect(loadStored()).rejects.toMatchObject({ code: 'PLAN_INVALID' })
    expect(await loadStored()).toBeNull()
    expect(await store.getItem('unreadable-7')).toMatchObject({ revision: 7 })
  })
})

describe('the journal of a page that was closed', () => {
  test('keeps the plan and the number that it was based on', () => {
    writeJournal(longer, 4)
    expect(readJournal()).toMatchObject({ baseRevision: 4, plan: { hoursPerDay: 11 } })
    clearJournal()
    expect(readJournal()).toBeNull()
  })
  test('that cannot be read counts as none', () => {
    localStorage.setItem('reach-plot-journal', '{"baseRevision":1,"text":"no plan"}')
    expect(readJournal()).toBeNull()
  })
  test('on full storage is left out without a word: the status line has told by then', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => null,
      setItem() {
        throw new DOMException('full', 'QuotaExceededError')
      },
    })
    expect(() => writeJournal(text, 1)).not.toThrow()
    expect(readJournal()).toBeNull()
    vi.unstubAllGlobals()
  })
})
