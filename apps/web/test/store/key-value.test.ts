// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { memoryStore, type KeyValue } from '../../src/store/key-value.js'

/** As in a page that was just loaded. */
async function opened() {
  vi.resetModules()
  return (await import('../../src/store/key-value.js')).openKeyValue()
}

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
  test('is kept in memory where the browser denies its store, or does not answer', async () => {
    vi.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('denied', 'SecurityError')
    })
    const { kv, isKept } = await opened()
    expect(isKept).toBe(false)
    await holds(kv)
  })
  test('is read back, listed and removed; its own mark is not listed', async () => {
    const { kv, isKept } = await opened()
    expect(isKept).toBe(true)
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
