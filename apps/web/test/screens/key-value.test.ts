// among the isolated tests: the package looks for the browser's store once, when it is loaded
import 'fake-indexeddb/auto'
import localforage from 'localforage'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { memoryStore, openKeyValue, storageLimits, type KeyValue } from '../../src/store/key-value.js'

const holds = async (kv: KeyValue): Promise<void> => {
  await kv.set('plan/a', { text: 'one', bytes: new Uint8Array([1, 2]) })
  await kv.set('history/a/1', 7)
  expect(await kv.get('plan/a')).toMatchObject({ text: 'one' })
  expect(new Set(await kv.keys())).toEqual(new Set(['plan/a', 'history/a/1']))
  await kv.remove('plan/a')
  expect(await kv.get('plan/a')).toBeNull()
  await kv.remove('history/a/1')
}

afterEach(() => vi.restoreAllMocks())

describe('what is kept in the browser', () => {
  test('is read back, listed and removed; its own mark is not listed', async () => {
    const { kv, isKept } = await openKeyValue()
    expect(isKept).toBe(true)
    await holds(kv)
  })
  test('is kept in memory where the browser denies its store', async () => {
    vi.spyOn(localforage, 'createInstance').mockReturnValue({
      setItem: () => Promise.reject(new DOMException('denied', 'SecurityError')),
    } as never)
    const { kv, isKept } = await openKeyValue()
    expect(isKept).toBe(false)
    await holds(kv)
  })
  test('is kept in memory where the browser does not answer', async () => {
    vi.useFakeTimers()
    vi.spyOn(localforage, 'createInstance').mockReturnValue({
      setItem: () => new Promise(() => undefined),
    } as never)
    const opened = openKeyValue()
    await vi.advanceTimersByTimeAsync(storageLimits.openMs)
    vi.useRealTimers()
    const { kv, isKept } = await opened
    expect(isKept).toBe(false)
    await holds(kv)
  })
  test('a store in memory keeps copies, as the other does', async () => {
    const kv = memoryStore()
    const value = { list: [1] }
    await kv.set('a', value)
    value.list.push(2)
    expect(await kv.get('a')).toEqual({ list: [1] })
  })
})
