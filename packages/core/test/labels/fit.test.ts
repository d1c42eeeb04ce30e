import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  layOutLabel,
  heightAtMm,
  type LabelEntry,
  type LabelLayout,
  type LabelForm,
} from '../../src/labels/index.js'
import { leastIconMm } from '../../src/label-design/index.js'
import type { Modifier } from '../../src/index.js'
import { font, icons } from '../../../print/test/tools.js'

const form = (change: Partial<LabelForm> = {}): LabelForm => ({
  widthMm: 15,
  heightMm: 15,
  round: false,
  content: 'text',
  levels: 'lines',
  readingDistanceMm: 500,
  ...change,
})
const entry = (text: string, change: Partial<LabelEntry> = {}): LabelEntry => ({ held: [], text, ...change })
const fit = (entries: readonly LabelEntry[], change: Partial<LabelForm> = {}, legend = ''): LabelLayout =>
  layOutLabel({ legend, entries }, form(change), font)
const done = (of: LabelLayout) => {
  if (!of.ok) throw new Error(of.reason)
  return of
}

describe('words on a label', () => {
  test('a short text stands whole at 20 minutes of arc', () => {
    const hide = done(fit([entry('Hide')], {}, 'H'))
    expect(hide.shortened).toBe(false)
    expect(hide.capMm).toBeCloseTo(heightAtMm(20, 500))
  })
  test('the person’s short text is taken before a rule shortens', () => {
    const lines = done(fit([entry('Rearrange neighbouring outlines', { short: 'Tidy' })])).lines
    expect(lines.map((l) => l.text)).toEqual(['Tidy'])
  })
  test('how a key is worked is never shortened', () => {
    const { lines, shortened } = done(fit([entry('Rearrange neighbouring outlines', { how: 'twice' })]))
    expect(shortened).toBe(true)
    expect(lines[0]!.text).toMatch(/^twice:/)
  })
  test('letters are never below 16 minutes of arc: what does not fit is reported with the reason', () => {
    for (const count of [1, 2, 3, 4, 5, 6]) {
      const some = fit(Array.from({ length: count }, () => entry('Rearrange outlines')))
      if (some.ok) expect(some.capMm).toBeGreaterThanOrEqual(heightAtMm(16, 500) - 1e-9)
    }
    const six = fit(Array.from({ length: 6 }, () => entry('Rearrange outlines')))
    expect(six).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/6 commands do not fit 15 x 15 mm.*2.3 mm high.*shorter/),
    })
  })
  test('signs that the font lacks are named', () => {
    expect(fit([entry('水路')])).toMatchObject({ ok: false, reason: expect.stringContaining('水 路') })
    expect(fit([entry('Łódź')])).toMatchObject({ ok: true })
  })
})

const names = fc.constantFrom(
  'Next vertex',
  'Simplify',
  'Show all shapes',
  'Compare with reference',
  'Hide',
  'Go',
  'Åbne kort',
)
const levels: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Control'], ['Control', 'Shift']]

test('whatever is fitted lies inside its label, a round one too, and lines do not overlap', () => {
  const some = fc.record({
    texts: fc.array(names, { minLength: 1, maxLength: 4 }),
    widthMm: fc.integer({ min: 9, max: 60 }),
    heightMm: fc.integer({ min: 9, max: 40 }),
    round: fc.boolean(),
    content: fc.constantFrom('text' as const, 'icon-text' as const, 'icon' as const),
    levels: fc.constantFrom('lines' as const, 'places' as const),
    readingDistanceMm: fc.integer({ min: 300, max: 800 }),
    legend: fc.constantFrom('', 'H', 'Esc'),
  })
  fc.assert(
    fc.property(some, ({ texts, legend, ...change }) => {
      const entries = texts.map((text, i) => entry(text, { held: levels[i]!, icon: icons.get('lock') }))
      const of = fit(entries, change, legend)
      if (!of.ok) return
      const { widthMm: w, heightMm: h } = change
      const inside = (x: number, y: number): void => {
        expect(x).toBeGreaterThanOrEqual(0)
        expect(x).toBeLessThanOrEqual(w)
        expect(y).toBeGreaterThanOrEqual(0)
        expect(y).toBeLessThanOrEqual(h)
        if (change.round) {
          const [dx, dy] = [(2 * x) / w - 1, (2 * y) / h - 1]
          expect(dx * dx + dy * dy).toBeLessThanOrEqual(1)
        }
      }
      for (const l of of.lines) {
        const left = l.xMm - l.held.length * 1.15 * l.capMm
        const right = l.xMm + font.widthMm(l.text, l.capMm)
        for (const x of [left, right]) for (const y of [l.baselineMm - l.capMm, l.baselineMm]) inside(x, y)
        for (const other of of.lines) {
          const otherRight = other.xMm + font.widthMm(other.text, other.capMm)
          const beside = otherRight <= left || right <= other.xMm - other.held.length * 1.15 * other.capMm
          if (other !== l && !beside)
            expect(Math.abs(other.baselineMm - l.baselineMm)).toBeGreaterThan(l.capMm)
        }
      }
      for (const i of of.icons) {
        expect(i.sizeMm).toBeGreaterThanOrEqual(leastIconMm)
        // icons have a free edge of a tenth, so that their corners may lie on a round label's rim
        for (const x of [0.1, 0.9])
          for (const y of [0.1, 0.9]) inside(i.xMm + x * i.sizeMm, i.yMm + y * i.sizeMm)
      }
    }),
    { numRuns: 300 },
  )
})

describe('icons on a label', () => {
  const lock = icons.get('lock')
  test('an icon stands over its words, as large as there is room for', () => {
    const of = done(fit([entry('Lock', { icon: lock })], { content: 'icon-text' }))
    expect(of.icons).toHaveLength(1)
    expect(of.icons[0]!.yMm + of.icons[0]!.sizeMm).toBeLessThan(of.lines[0]!.baselineMm)
    expect(of.icons[0]!.sizeMm).toBeGreaterThan(6)
  })
  test('alone it needs no words', () => {
    const of = done(fit([entry('Lock', { icon: lock })], { content: 'icon' }))
    expect([of.icons.length, of.lines.length]).toEqual([1, 0])
  })
  test('what has no icon has words instead', () => {
    expect(done(fit([entry('Lock', { icon: null })], { content: 'icon' })).lines[0]!.text).toBe('Lock')
  })
  test('where there is no room for it, the words stay and it is said', () => {
    const of = done(fit([entry('Lock', { icon: lock })], { content: 'icon-text', heightMm: 6 }))
    expect(of.icons).toEqual([])
    expect(of.leftOut).toMatch(/no room for its icon/)
  })
})

describe('levels in corners', () => {
  const four = [
    entry('Hide'),
    entry('Show', { held: ['Shift'] }),
    entry('Cut', { held: ['Control'] }),
    entry('Go', { held: ['Alt'] }),
  ]
  test('each stands in its own', () => {
    const { lines } = done(fit(four, { levels: 'places', widthMm: 24, heightMm: 16 }))
    const at = (text: string) => {
      const line = lines.find((l) => l.text === text)!
      return [line.xMm > 12 ? 'right' : 'left', line.baselineMm > 8 ? 'below' : 'above']
    }
    expect(['Hide', 'Show', 'Cut', 'Go'].map(at)).toEqual([
      ['left', 'below'],
      ['left', 'above'],
      ['right', 'above'],
      ['right', 'below'],
    ])
  })
  test('a level without a corner, or two for one, is refused in words', () => {
    const odd = fit([entry('Hide', { held: ['Control', 'Shift'] })], { levels: 'places' })
    expect(odd).toMatchObject({ ok: false, reason: expect.stringContaining('Control+Shift has no corner') })
    const two = fit([entry('A', { held: ['Alt'] }), entry('B', { held: ['AltGraph'] })], { levels: 'places' })
    expect(two).toMatchObject({ ok: false, reason: expect.stringContaining('same corner') })
  })
})
