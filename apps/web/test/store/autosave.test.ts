// @vitest-environment happy-dom
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { chord, placeCommand, readPlan, removePlacement, type Plan } from '@reach-plot/core'
import { Autosave, type OpenPlan, type SaveChannel } from '../../src/store/autosave.js'
import { memoryStore, type KeyValue } from '../../src/store/key-value.js'
import { PlanHistory } from '../../src/store/plan-history.js'
import { Shelf } from '../../src/store/shelf.js'
import { demo, idOf } from '../build.js'

/** What the browser keeps, shared by the tabs of a test, and which of them are open. */
let kv: KeyValue
let isFull = false
let openTabs: Set<string>
let lastOpen: string | null = null
const fullStore = (): KeyValue => {
  // of this test, also when it is written late
  const own = kv
  return {
    ...own,
    set: (key, value) =>
      isFull && key.startsWith('plan/')
        ? Promise.reject(new DOMException('The disk is full', 'QuotaExceededError'))
        : own.set(key, value),
  }
}

/** A tab with its own open plan, and the channel to the others. */
function tab(id = 'tab-1', others: SaveChannel[] = []) {
  let plan: Plan | null = null
  let listener = (): void => undefined
  const take = (next: Plan): void => {
    plan = next
    listener()
  }
  const plans: OpenPlan = {
    get: () => plan,
    replace: take,
    start: take,
    onChange: (call) => {
      listener = call
    },
  }
  const channel: SaveChannel = {
    onmessage: null,
    postMessage: (saved: unknown) =>
      others.forEach(
        (o) => o !== channel && o.onmessage?.call(o as BroadcastChannel, { data: saved } as MessageEvent),
      ),
  }
  others.push(channel)
  openTabs.add(id)
  const autosave = new Autosave({
    plans,
    channel,
    openStores: () => {
      const store = fullStore()
      return Promise.resolve({ shelf: new Shelf(store), history: new PlanHistory(store), isKept: true })
    },
    thisTab: () =>
      Promise.resolve({
        id,
        isOpen: (other) => openTabs.has(other),
        lastPlanId: lastOpen,
        opened: (planId) => {
          lastOpen = planId
        },
      }),
    inWords: (before, after) => `${before.hoursPerDay} to ${after.hoursPerDay} hours`,
  })
  return {
    autosave,
    plan: () => plan!,
    state: () => autosave.useState.getState(),
    start: () => autosave.start(() => Promise.resolve(demo())),
    change: (hoursPerDay: number) => take({ ...plan!, hoursPerDay }),
    /** the page goes, with whatever it has not done yet */
    close: () => openTabs.delete(id),
  }
}

const shelf = (): Shelf => new Shelf(kv)
const stored = async (id = demo().id): Promise<Plan | null> => (await shelf().load(id))?.plan ?? null
const settled = (of: ReturnType<typeof tab>, state: string): Promise<void> =>
  vi.waitFor(() => expect(of.state().state).toBe(state))
const savedHours = (hours: number): Promise<void> =>
  vi.waitFor(async () => expect((await stored())?.hoursPerDay).toBe(hours))

beforeEach(() => {
  kv = memoryStore()
  isFull = false
  openTabs = new Set()
  lastOpen = null
  localStorage.clear()
  vi.stubGlobal('navigator', {})
})

describe('opening', () => {
  test('with nothing stored, the example is put on the shelf and opened', async () => {
    const one = tab()
    await one.start()
    expect(one.state()).toMatchObject({ state: 'saved', isExample: true })
    expect(await shelf().list()).toMatchObject([{ id: demo().id, isExample: true, deletedAt: null }])
  })
  test('the plan that was open last is opened, whatever others there are', async () => {
    await shelf().add({ ...demo(), id: 'other', name: 'Other' })
    await shelf().add({ ...demo(), id: 'mine', name: 'Mine' })
    await shelf().add({ ...demo(), id: 'third', name: 'Third' })
    lastOpen = 'mine'
    const one = tab()
    await one.start()
    expect(one.plan().name).toBe('Mine')
    expect(await shelf().list()).toHaveLength(3)
  })
  test('a plan that cannot be read is said, kept where it is, and another is opened', async () => {
    await kv.set('plan/bad', {
      ...{ revision: 4, text: '{"format":"reachplot-plan","version":1}', name: 'Bad', changedAt: 1 },
      ...{ isExample: false, deletedAt: null },
    })
    lastOpen = 'bad'
    const one = tab()
    await one.start()
    expect(one.state().notices.join()).toMatch(/cannot be read and was put aside/)
    expect(one.plan().name).toBe(demo().name)
    expect((await shelf().text('bad'))!.revision).toBe(4)
  })
})

describe('plans side by side', () => {
  test('opening, importing and the example replace nothing', async () => {
    const one = tab()
    await one.start()
    one.change(3)
    await settled(one, 'saved')
    await one.autosave.openNew(demo())
    expect(one.plan().id).not.toBe(demo().id)
    expect(one.plan().name).toBe(`${demo().name} 2`)
    await one.autosave.openNew({ ...demo(), id: 'another', name: 'Another' })
    await one.autosave.open(demo().id)
    expect(one.plan().hoursPerDay).toBe(3)
    expect(await shelf().list()).toHaveLength(3)
  })
  test('one that is deleted can be had back; after 30 days it is gone with its past', async () => {
    const one = tab()
    await one.start()
    await shelf().add({ ...demo(), id: 'old', name: 'Old' })
    await shelf().delete('old')
    expect((await shelf().list()).find((e) => e.id === 'old')!.deletedAt).not.toBeNull()
    await shelf().restore('old')
    expect((await shelf().list()).find((e) => e.id === 'old')!.deletedAt).toBeNull()
    await shelf().delete('old')
    expect(await shelf().purge(Date.now() + 31 * 24 * 3600 * 1000)).toEqual(['old'])
    expect(await shelf().text('old')).toBeNull()
  })
  test('a change that is being saved is not lost when another plan is opened at once', async () => {
    const one = tab()
    await one.start()
    await shelf().add({ ...demo(), id: 'other', name: 'Other' })
    one.change(2.5)
    await one.autosave.open('other')
    expect((await stored())!.hoursPerDay).toBe(2.5)
    one.change(7)
    await savedHours(2.5)
    await vi.waitFor(async () => expect((await stored('other'))!.hoursPerDay).toBe(7))
  })
})

describe('changes', () => {
  test('are saved at once, and one that comes meanwhile is saved after it', async () => {
    const one = tab()
    await one.start()
    one.change(4)
    one.change(5)
    await savedHours(5)
    await settled(one, 'saved')
  })
  test('stand in the journal in the same task, before anything else can happen', async () => {
    const one = tab()
    await one.start()
    await settled(one, 'saved')
    one.change(4)
    // the page is gone here: nothing that was awaited has run
    const left = Object.keys(localStorage).map((key) => localStorage.getItem(key) ?? '')
    expect(left.some((text) => text.includes('\\"hoursPerDay\\":4'))).toBe(true)
    await savedHours(4)
    await vi.waitFor(() => expect(Object.keys(localStorage)).toEqual([]))
  })
  test('on a full disk are said to be unsaved and saved once there is room', async () => {
    const one = tab()
    await one.start()
    await settled(one, 'saved')
    isFull = true
    one.change(4)
    await settled(one, 'failed')
    expect(one.state().reason).toBe('The browser’s storage is full.')
    one.close()
    isFull = false
    const two = tab('tab-1')
    await two.start()
    expect(two.plan().hoursPerDay).toBe(4)
    await savedHours(4)
  })
  test('that could not be read again are refused, and what is stored stays', async () => {
    const one = tab()
    await one.start()
    one.autosave.useState.subscribe(() => undefined)
    one.change(4)
    await savedHours(4)
    one.change(9999)
    await settled(one, 'failed')
    expect(one.state().reason).toMatch(/hoursPerDay/)
    expect((await stored())!.hoursPerDay).toBe(4)
  })
})

describe('what a closed tab had not saved', () => {
  /** A tab that changed the plan and was gone before it was saved. */
  async function crashed(id: string, hours: number): Promise<ReturnType<typeof tab>> {
    const one = tab(id)
    await one.start()
    await settled(one, 'saved')
    isFull = true
    one.change(hours)
    await settled(one, 'failed')
    one.close()
    isFull = false
    return one
  }
  test('goes on as the plan itself where nobody has changed it since', async () => {
    await crashed('tab-1', 6)
    const two = tab('tab-2')
    await two.start()
    expect((await stored())!.hoursPerDay).toBe(6)
    expect(await shelf().list()).toHaveLength(1)
    expect(Object.keys(localStorage)).toEqual([])
  })
  test('comes back as a second plan where another tab has gone on, never dropped', async () => {
    await crashed('tab-1', 6)
    const two = tab('tab-2')
    openTabs.add('tab-1')
    await two.start()
    two.change(10)
    await savedHours(10)
    // the save of this tab leaves the other's journal alone
    expect(Object.keys(localStorage)).toHaveLength(1)
    openTabs.delete('tab-1')
    const three = tab('tab-3')
    await three.start()
    expect((await stored())!.hoursPerDay).toBe(10)
    const second = (await shelf().list()).find((e) => e.name.includes('changed in another tab'))!
    expect((await stored(second.id))!.hoursPerDay).toBe(6)
    expect(three.state().notices.join()).toContain(second.name)
  })
  test('is left alone while that tab is open', async () => {
    await crashed('tab-1', 6)
    openTabs.add('tab-1')
    const two = tab('tab-2')
    await two.start()
    expect((await stored())!.hoursPerDay).toBe(demo().hoursPerDay)
    expect(Object.keys(localStorage)).toHaveLength(1)
  })
  test('that cannot be read is put aside, not dropped', async () => {
    localStorage.setItem(
      'reach-plot-journal/tab-9',
      JSON.stringify({ planId: demo().id, baseRevision: 1, text: '{"half":', at: Date.now() }),
    )
    localStorage.setItem('reach-plot-journal/tab-8', 'no entry at all')
    const one = tab()
    await one.start()
    const aside = (await shelf().list()).find((e) => e.name.startsWith('Changes of'))!
    expect((await shelf().text(aside.id))!.text).toBe('{"half":')
  })
})

describe('two tabs', () => {
  test('notice each other, write over nothing, and either state can be taken', async () => {
    const channels: SaveChannel[] = []
    const [one, two] = [tab('tab-1', channels), tab('tab-2', channels)]
    await one.start()
    await two.start()
    one.change(4)
    await savedHours(4)
    await settled(two, 'conflict')
    two.change(11)
    expect((await stored())!.hoursPerDay).toBe(4)
    await two.autosave.takeStored()
    expect(two.plan().hoursPerDay).toBe(4)
    expect(two.state().state).toBe('saved')
    // nothing is left to come back as a second plan
    expect(Object.keys(localStorage)).toEqual([])
  })
  test('with different plans have nothing to settle', async () => {
    const channels: SaveChannel[] = []
    const [one, two] = [tab('tab-1', channels), tab('tab-2', channels)]
    await one.start()
    await two.start()
    await two.autosave.openNew({ ...demo(), id: 'other', name: 'Other' })
    one.change(4)
    await savedHours(4)
    expect(two.state().state).toBe('saved')
  })
  test('that save at the same moment: the later one is told', async () => {
    const [one, two] = [tab('tab-1'), tab('tab-2')]
    await one.start()
    await two.start()
    one.change(4)
    await savedHours(4)
    two.change(5)
    await settled(two, 'conflict')
    expect((await stored())!.hoursPerDay).toBe(4)
  })
})

describe('the past of a plan', () => {
  test('survives the page: each state with what was changed, and one can go back and forth', async () => {
    const one = tab()
    await one.start()
    for (const hours of [2, 3, 4]) {
      one.change(hours)
      await savedHours(hours)
    }
    // the past is written a moment after the plan
    await vi.waitFor(async () => expect(await one.autosave.stores.history.list(demo().id)).toHaveLength(4))
    const two = tab('tab-2')
    await two.start()
    const past = await two.autosave.stores.history.list(demo().id)
    expect(past.map((s) => s.what)).toEqual([
      '3 to 4 hours',
      '2 to 3 hours',
      `${demo().hoursPerDay} to 2 hours`,
      'as it was at first',
    ])
    await two.autosave.goBack(past[1]!.at)
    expect(two.plan().hoursPerDay).toBe(3)
    await savedHours(3)
  })
  test('typing in one field is one state; 50 states or a week are kept within the room there is', async () => {
    const history = new PlanHistory(kv)
    const day = 24 * 3600 * 1000
    let now = 1_000_000_000_000
    await history.add('p', 'a', 'uses', now)
    await history.add('p', 'b', 'uses', now + 1000)
    expect((await history.list('p')).length).toBe(1)
    expect(await history.text('p', (await history.list('p'))[0]!.at)).toBe('b')
    for (let i = 0; i < 70; i++) await history.add('p', `state ${i}`, `change ${i}`, (now += day))
    // the last 50, since a week holds fewer
    expect(await history.list('p')).toHaveLength(50)
    for (let i = 0; i < 90; i++) await history.add('p', `state ${i}`, `again ${i}`, (now += 60_000))
    expect((await history.list('p')).length).toBeGreaterThanOrEqual(90)
    expect((await history.list('p'))[0]!.what).toBe('again 89')
    await history.makeRoom()
    expect((await history.list('p')).length).toBeLessThan(60)
  })
})

test('a change of the demo’s keys is read back from the shelf as it was made', async () => {
  const one = tab()
  await one.start()
  const plan = removePlacement(
    placeCommand(one.plan(), { commandId: idOf(demo(), 'Hide shape'), trigger: chord('KeyH') }),
    idOf(demo(), 'Add vertex'),
  )
  await one.autosave.openNew({ ...plan, id: 'keys' })
  expect(await stored('keys')).toEqual(
    readPlan(JSON.stringify({ ...plan, id: 'keys', name: `${plan.name} 2` })),
  )
})
