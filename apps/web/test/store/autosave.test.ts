import { beforeEach, describe, expect, test, vi } from 'vitest'
import { readPlan, writePlan, type Plan } from '@reach-plot/core'
import { Autosave, type OpenPlan, type SaveChannel } from '../../src/store/autosave.js'
import { demo } from '../build.js'

/** What the browser stores, shared by the tabs of a test. */
let stored: { revision: number; text: string } | null = null
let journal: { baseRevision: number; text: string } | null = null
let isFull = false

const read = (text: string): Plan => readPlan(text, 'stored')

const storage = {
  loadStored: () => Promise.resolve(stored && { revision: stored.revision, plan: read(stored.text) }),
  savePlan(text: string, base: number, force = false) {
    if (isFull) return Promise.reject(new DOMException('The disk is full', 'QuotaExceededError'))
    const now = stored?.revision ?? 0
    if (now !== base && !force) return Promise.resolve({ ok: false as const, storedRevision: now })
    stored = { revision: now + 1, text }
    return Promise.resolve({ ok: true as const, revision: now + 1 })
  },
  writeJournal(text: string, baseRevision: number) {
    journal = { text, baseRevision }
  },
  readJournal: () => journal && { baseRevision: journal.baseRevision, plan: read(journal.text) },
  clearJournal() {
    journal = null
  },
}

/** A tab with its own open plan, and the channel to the others. */
function tab(others: SaveChannel[] = []) {
  let plan: Plan | null = null
  let listener = (): void => undefined
  const plans: OpenPlan = {
    get: () => plan,
    replace: (next) => {
      plan = next
    },
    start: (next) => {
      plan = next
    },
    onChange: (call) => {
      listener = call
    },
  }
  const channel: SaveChannel = {
    onmessage: null,
    postMessage: (revision: number) =>
      others.forEach(
        (o) => o !== channel && o.onmessage?.call(o as BroadcastChannel, { data: revision } as MessageEvent),
      ),
  }
  others.push(channel)
  const autosave = new Autosave(plans, storage, channel)
  return {
    autosave,
    plan: () => plan!,
    state: () => autosave.useState.getState(),
    change(hoursPerDay: number) {
      plan = { ...plan!, hoursPerDay }
      listener()
    },
  }
}

const settled = (of: ReturnType<typeof tab>, state: string): Promise<void> =>
  vi.waitFor(() => expect(of.state().state).toBe(state))

beforeEach(() => {
  stored = journal = null
  isFull = false
})

describe('opening', () => {
  test('with nothing stored, what stands in for it is opened and saved', async () => {
    const one = tab()
    await one.autosave.start(() => Promise.resolve(demo()))
    await settled(one, 'saved')
    await vi.waitFor(() => expect(stored?.revision).toBe(1))
    expect(stored!.text).toBe(writePlan(one.plan()))
  })
  test('the stored plan is opened, and not saved again', async () => {
    stored = { revision: 5, text: writePlan({ ...demo(), hoursPerDay: 3 }) }
    const one = tab()
    await one.autosave.start(() => Promise.reject(new Error('not asked')))
    await settled(one, 'saved')
    expect(one.plan().hoursPerDay).toBe(3)
    expect(stored.revision).toBe(5)
  })
  test('what a closed page left behind goes on from the plan that it was based on', async () => {
    stored = { revision: 5, text: writePlan(demo()) }
    journal = { baseRevision: 5, text: writePlan({ ...demo(), hoursPerDay: 9 }) }
    const one = tab()
    await one.autosave.start(() => Promise.reject(new Error('not asked')))
    await vi.waitFor(() => expect(stored!.revision).toBe(6))
    expect(read(stored.text).hoursPerDay).toBe(9)
    expect(journal).toBeNull()
  })
  test('where another tab has gone on since, the person chooses and nothing is written', async () => {
    stored = { revision: 6, text: writePlan(demo()) }
    journal = { baseRevision: 5, text: writePlan({ ...demo(), hoursPerDay: 9 }) }
    const one = tab()
    await one.autosave.start(() => Promise.reject(new Error('not asked')))
    expect(one.state().state).toBe('conflict')
    one.change(10)
    expect(stored.revision).toBe(6)
    await one.autosave.saveAnyway()
    expect(stored.revision).toBe(7)
    expect(read(stored.text).hoursPerDay).toBe(10)
  })
  test('a journal that equals what is stored is no change', async () => {
    stored = { revision: 6, text: writePlan(demo()) }
    journal = { baseRevision: 5, text: writePlan(demo()) }
    const one = tab()
    await one.autosave.start(() => Promise.reject(new Error('not asked')))
    await settled(one, 'saved')
  })
  test('a stored plan that cannot be read is said, and the app opens all the same', async () => {
    stored = { revision: 1, text: '{}' }
    const one = tab()
    await one.autosave.start(() => Promise.resolve(demo()))
    expect(one.state().startError).toMatch(/not a plan/)
    expect(one.plan().programs.length).toBeGreaterThan(0)
  })
})

describe('changes', () => {
  test('are saved at once, and one that comes meanwhile is saved after it', async () => {
    const one = tab()
    await one.autosave.start(() => Promise.resolve(demo()))
    one.change(4)
    one.change(5)
    await vi.waitFor(() => expect(read(stored!.text).hoursPerDay).toBe(5))
    await settled(one, 'saved')
  })
  test('on a full disk are said to be unsaved, kept when the page goes, and saved once there is room', async () => {
    const one = tab()
    await one.autosave.start(() => Promise.resolve(demo()))
    await vi.waitFor(() => expect(stored?.revision).toBe(1))
    await settled(one, 'saved')
    isFull = true
    one.change(4)
    await settled(one, 'failed')
    expect(one.state().reason).toBe('The disk is full')
    one.autosave.keepForNextTime()
    expect(journal).toMatchObject({ baseRevision: 1 })
    isFull = false
    await one.autosave.saveAnyway()
    expect(read(stored!.text).hoursPerDay).toBe(4)
    expect(journal).toBeNull()
  })
  test('a page that goes with everything saved keeps nothing', async () => {
    const one = tab()
    await one.autosave.start(() => Promise.resolve(demo()))
    await vi.waitFor(() => expect(stored?.revision).toBe(1))
    one.autosave.keepForNextTime()
    expect(journal).toBeNull()
  })
})

describe('two tabs', () => {
  test('notice each other, write over nothing, and either plan can be taken', async () => {
    const channels: SaveChannel[] = []
    const [one, two] = [tab(channels), tab(channels)]
    await one.autosave.start(() => Promise.resolve(demo()))
    await vi.waitFor(() => expect(stored?.revision).toBe(1))
    await two.autosave.start(() => Promise.reject(new Error('not asked')))
    await settled(two, 'saved')
    one.change(4)
    await vi.waitFor(() => expect(stored?.revision).toBe(2))
    await settled(two, 'conflict')
    two.change(11)
    expect(read(stored!.text).hoursPerDay).toBe(4)
    await two.autosave.takeStored()
    expect(two.plan().hoursPerDay).toBe(4)
    expect(two.state().state).toBe('saved')
  })
  test('that save at the same moment: the later one is told', async () => {
    const [one, two] = [tab(), tab()]
    await one.autosave.start(() => Promise.resolve(demo()))
    await vi.waitFor(() => expect(stored?.revision).toBe(1))
    await two.autosave.start(() => Promise.reject(new Error('not asked')))
    one.change(4)
    two.change(5)
    await settled(one, 'saved')
    await settled(two, 'conflict')
    expect(read(stored!.text).hoursPerDay).toBe(4)
  })
})
