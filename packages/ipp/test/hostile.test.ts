import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decode, decodeApart, encode } from '../src/index.js'

/** The octets of a message: header, groups and attributes by RFC 8010 (3.1). */
const message = (...parts: readonly (number | string | readonly number[])[]): Buffer =>
  Buffer.concat(
    [[1, 1, 0, 0x0b, 0, 0, 0, 1], ...parts].map((p) =>
      typeof p === 'string' ? Buffer.from(p) : Buffer.from(typeof p === 'number' ? [p] : p),
    ),
  )
const length = (n: number): number[] => [n >> 8, n & 0xff]
const attribute = (tag: number, name: string, value: string | readonly number[]): Buffer =>
  Buffer.concat([
    Buffer.from([tag, ...length(name.length)]),
    Buffer.from(name),
    Buffer.from(length(value.length)),
    Buffer.from(value as string),
  ])
const end = 3

describe('messages made to break a reader', () => {
  test('a length that is negative when it is read with a sign ends in an error, at once', () => {
    // 0xffc3 is -61: a reader that goes back by it reads the same attribute for ever
    const bytes = message(1, 0x47, length(18), 'attributes-charset', length(5), 'utf-8', 0x44, [0xff, 0xc3])
    expect(() => decode(Buffer.concat([bytes, Buffer.alloc(25, 0x41)]))).toThrow(/beyond the end/)
  })
  test.each([
    [
      'collections in one another by the thousand',
      Array.from({ length: 3000 }, () => attribute(0x34, '', [])),
    ],
    [
      'values by the hundred thousand',
      Array.from({ length: 100_000 }, () => attribute(0x21, '', [0, 0, 0, 1])),
    ],
  ])('%s are refused', (_name, inner) => {
    const bytes = Buffer.concat([message(1), attribute(0x34, 'media-col', []), ...inner, Buffer.from([end])])
    expect(() => decode(bytes)).toThrow()
  })
  test('a name that JavaScript has a use for does not reach the codec', () => {
    const bytes = Buffer.concat([
      message(1),
      attribute(0x44, '__proto__', 'x'),
      attribute(0x44, 'media', 'a4'),
      Buffer.from([end]),
    ])
    const read = decode(bytes).operationAttributes
    expect(Object.getPrototypeOf(read)).toBe(Object.prototype)
    expect(Object.keys(read)).toEqual(['media'])
  })
  test('values of unknown kinds and wrong lengths are left out; what stands beside them is read', () => {
    const bytes = Buffer.concat([
      message(1),
      attribute(0x3f, 'vendor-thing', 'abc'),
      attribute(0x21, 'short-number', [1]),
      attribute(0x35, 'odd-text', [9, 9, 9, 9]),
      attribute(0x41, 'job-name', 'Labels'),
      attribute(0x21, '', [0, 0, 0, 9]),
      attribute(0x21, 'copies', [0, 0, 0, 7]),
      Buffer.from([end]),
      Buffer.from('document'),
    ])
    const read = decode(bytes)
    expect(read.operationAttributes).toEqual({ 'job-name': ['Labels', 9], copies: 7 })
    expect(Buffer.from(read.data).toString()).toBe('document')
  })
})

const good = encode({
  operation: 'Print-Job',
  id: 7,
  operationAttributes: { 'printer-uri': 'ipp://localhost/ipp/print', 'job-name': 'Labels [ticket]' },
  jobs: [
    {
      copies: 2,
      'media-col': { 'media-size': { 'x-dimension': 1400, 'y-dimension': 2100 } },
      'printer-resolution': [[203, 203, 'dpi']],
    },
  ],
  data: Uint8Array.from([37, 80, 68, 70]),
})
const mutated = fc
  .array(
    fc.tuple(
      fc.nat(good.length - 1),
      fc.constantFrom(0, 1, 3, 0x34, 0x37, 0x4a, 0x7f, 0x80, 0xff),
      fc.nat(3),
    ),
    {
      minLength: 1,
      maxLength: 12,
    },
  )
  .map((changes) => {
    let bytes = Buffer.from(good)
    for (const [at, value, how] of changes) {
      if (how === 0) bytes = bytes.subarray(0, Math.max(1, Math.min(at, bytes.length)))
      else if (how === 1)
        bytes = Buffer.concat([bytes.subarray(0, at), Buffer.from([value]), bytes.subarray(at)])
      else bytes[Math.min(at, bytes.length - 1)] = value
    }
    return bytes
  })

describe('messages with octets changed, cut and put in', () => {
  test('are read or refused, each in no time', () => {
    let read = 0
    fc.assert(
      fc.property(mutated, (bytes) => {
        const start = performance.now()
        try {
          decode(bytes)
          read++
        } catch (error) {
          expect(error).toBeInstanceOf(Error)
        }
        expect(performance.now() - start).toBeLessThan(200)
      }),
      { numRuns: 3000 },
    )
    // some of them must get through, or the bounds refuse everything
    expect(read).toBeGreaterThan(30)
  })
  test('come out of the thread as they do here', async () => {
    const samples = [good, ...fc.sample(mutated, { numRuns: 200, seed: 4 })]
    let same = 0
    for (const bytes of samples) {
      const here = (() => {
        try {
          return decode(bytes)
        } catch {
          return null
        }
      })()
      const apart = await decodeApart(bytes).catch(() => null)
      // dates are taken at the clock, so they may differ by a moment
      expect(apart === null).toBe(here === null)
      if (here) {
        expect(Object.keys(apart!.operationAttributes)).toEqual(Object.keys(here.operationAttributes))
        same++
      }
    }
    expect(same).toBeGreaterThan(10)
  })
  test('several at a time keep apart', async () => {
    const ids = Array.from({ length: 40 }, (_, i) => i + 1)
    const read = await Promise.all(ids.map((id) => decodeApart(encode({ statusCode: 'successful-ok', id }))))
    expect(read.map((m) => m.id)).toEqual(ids)
  })
})
