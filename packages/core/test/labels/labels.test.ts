import { describe, expect, test } from 'vitest'
import { activeArrangement, boardControls, environmentOf } from '../../src/index.js'
import { checkPrint, drawingBits, thinStrokeDots } from '@reach-plot/print'
import {
  iconSet,
  makeLabels,
  makeSheet,
  printedText,
  readyLabel,
  sheetKinds,
  type SheetChoice,
} from '../../src/labels/index.js'
import { labelDesignSchema } from '../../src/label-design/index.js'
import { flat, isInk, layLabels, shippedStocks, stockOf } from '../../src/drawing/index.js'
import { command, placements } from '../build.js'
import { font, iconPackage, rasteriser } from '../../../print/test/tools.js'
import { catalogues, demoPlan } from '../work/desk.js'
import { design, onBench, source } from './source.js'

const set = (...given: Parameters<typeof source>) => makeLabels(source(...given), font)

describe('labels', () => {
  test('are as large as the key top less the margin', () => {
    const { labels } = set(undefined, design({ marginMm: 1.5 }))
    expect(labels.map((l) => l.legend)).toEqual(['H', 'M'])
    for (const { drawing } of labels) expect([drawing.widthMm, drawing.heightMm]).toEqual([15, 15])
  })
  test('have a size, shape and margin of their own where the person says so', () => {
    const own = [
      { controlId: 'keyboard/KeyH', widthMm: 20, heightMm: 12 },
      { controlId: 'keyboard/KeyM', shape: 'round' as const, marginMm: 0 },
    ]
    const [h, m] = set(undefined, design({}, own)).labels
    expect([h!.drawing.widthMm, h!.drawing.heightMm, h!.round]).toEqual([20, 12, false])
    expect([m!.drawing.widthMm, m!.drawing.heightMm, m!.round]).toEqual([18, 18, true])
  })
  test('are no larger than the label of a roll, and round where it is', () => {
    const [h] = set({ 'hide-shape': 'KeyH' }, design({ stockId: 'roll-round-14' })).labels
    expect([h!.drawing.widthMm, h!.drawing.heightMm, h!.round]).toEqual([14, 14, true])
  })
  test('go where a drawn control has its label', () => {
    const control = { ...onBench(boardControls('ansi-104', 'windows')).find((c) => c.code === 'KeyH')! }
    const labelled = { ...control, label: { dxMm: 0, dyMm: 12, widthMm: 30, heightMm: 8 } }
    const [h] = set({ measure: 'KeyH' }, design({ marginMm: 0 }), { controls: [labelled] }).labels
    expect([h!.drawing.widthMm, h!.drawing.heightMm]).toEqual([30, 8])
  })
  test('with too little contrast are not printed, and the reason says what to change', () => {
    const { labels, unreadable } = set(undefined, design({ material: 'black', ink: '#333333' }))
    expect(labels).toEqual([])
    expect(unreadable[0]!.reason).toMatch(/Contrast of ink and label is 1\.\d to 1, and must be 4\.5\./)
    // white ink on black stock is well seen
    expect(set(undefined, design({ material: 'black', ink: '#ffffff' })).labels).toHaveLength(2)
  })
  test('on clear stock are seen against the key', () => {
    const clear = { material: 'clear', ink: '#ffffff' } as const
    expect(set(undefined, design({ ...clear, keyColour: '#222222' })).labels).toHaveLength(2)
    const pale = [{ controlId: 'keyboard/KeyH', keyColour: '#eeeeee' }]
    const { unreadable } = set(undefined, design({ ...clear, keyColour: '#222222' }, pale))
    expect(unreadable.map((u) => u.legend)).toEqual(['H'])
  })
  test('that read the same after shortening are told of', () => {
    const commands = [command('Recalibrate later baselines'), command('Recalibrate lateral baselines')]
    const given = { 'recalibrate-later-baselines': 'KeyH', 'recalibrate-lateral-baselines': 'KeyM' }
    const { labels } = set(given, design({ marginMm: 2.5 }), { commands })
    expect(labels.map((l) => printedText(l, 0))).toEqual(['Rec. lat. bas.', 'Rec. lat. bas.'])
    expect(labels.every((l) => l.isCut)).toBe(true)
    expect(labels.map((l) => l.readsLike)).toEqual(['M', 'H'])
  })
  test('of a level that carries nothing ask for another level', () => {
    const { unreadable } = set(undefined, design({}, [{ controlId: 'keyboard/KeyM', level: ['Alt'] }]))
    expect(unreadable[0]!.reason).toMatch(/Choose another level/)
  })
})

const env = environmentOf(demoPlan, catalogues)
const icons = iconSet(iconPackage, demoPlan.labels.icons)
const choice = (change: Partial<SheetChoice>): SheetChoice => ({
  kind: 'labels',
  programId: 'fenmap',
  contextId: null,
  deviceId: null,
  skip: 0,
  order: 'context',
  ...change,
})
const demo = (change: Partial<SheetChoice>, rule: Partial<typeof demoPlan.labels.rule> = {}) =>
  makeSheet(
    {
      title: 'Demo',
      placements: activeArrangement(demoPlan).placements,
      env,
      design: { ...demoPlan.labels, rule: { ...demoPlan.labels.rule, ...rule } },
      icons,
    },
    choice(change),
    font,
  )

describe('the labels of the demo at 203 dpi in one bit', () => {
  const fronts = demoPlan.programs.flatMap((program) =>
    program.contexts.map((context) => [program.id, context.id] as const),
  )
  const contents = ['text', 'icon-text', 'icon'] as const
  test.each(fronts)(
    '%s, %s: no stroke under two dots, and no text leaves its label',
    async (programId, contextId) => {
      const rasterise = await rasteriser()
      let count = 0
      for (const content of contents)
        for (const stockId of ['a4', 'roll-round-14']) {
          const { labels } = demo({ programId, contextId }, { content, stockId }).labels!
          for (const label of labels) {
            const check = checkPrint(label, 203, font, rasterise)
            expect([label.legend, check]).toEqual([label.legend, { thinDots: 0, leavesLabel: false }])
            count++
          }
        }
      expect(count).toBeGreaterThan(60)
    },
  )
  test('a label with a hairline of its own would be found, and is printed two dots wide', async () => {
    const rasterise = await rasteriser()
    const drawing = {
      widthMm: 10,
      heightMm: 10,
      marks: [
        {
          kind: 'path' as const,
          d: 'M2 2 L8 8',
          xMm: 0,
          yMm: 0,
          scale: 1,
          fill: null,
          stroke: '#000000',
          strokeMm: 0.1,
        },
      ],
    }
    expect(checkPrint({ drawing, round: false }, 203, font, rasterise).thinDots).toBeGreaterThan(10)
    const bits = drawingBits(drawing, 203, font, rasterise, '')
    expect(thinStrokeDots(bits)).toBe(0)
    expect(isInk(bits, 40, 40)).toBe(true)
  })
})

describe('sheets of the demo', () => {
  test.each(sheetKinds)('%s: everything lies on its pages', (kind) => {
    const { document } = demo({ kind })
    expect(document.pages.length).toBeGreaterThan(0)
    for (const page of document.pages) {
      for (const { x, y } of corners(page.marks)) {
        expect(x).toBeGreaterThanOrEqual(-0.01)
        expect(y).toBeGreaterThanOrEqual(-0.01)
        expect(x).toBeLessThanOrEqual(page.widthMm + 0.01)
        expect(y).toBeLessThanOrEqual(page.heightMm + 0.01)
      }
    }
  })
  test('the list of both programs stands on one page', () => {
    for (const order of ['context', 'device'] as const)
      expect(demo({ kind: 'list', order }).document.pages).toHaveLength(1)
  })
  test('the folded card has two sides a sheet, the cover at the right of the first', () => {
    const { pages } = demo({ kind: 'card' }).document
    expect(pages.length % 2).toBe(0)
    const words = wordsOf(pages[0]!.marks)
    const title = words.find((w) => w.text === 'Demo')!
    expect(title.x).toBeGreaterThan(pages[0]!.widthMm / 2)
  })
  test('the board has the words of a key, all its levels, and a title whatever signs are in it', () => {
    const keys = [
      {
        controlId: 'keyboard/KeyG',
        level: ['Alt' as const],
        words: [{ commandId: 'fenmap-show-grid', text: 'Nets' }],
      },
    ]
    const sheet = makeSheet(
      {
        title: 'Watt 潮',
        placements: activeArrangement(demoPlan).placements,
        env,
        design: { ...demoPlan.labels, keys },
        icons,
      },
      choice({ kind: 'board', deviceId: 'keyboard', contextId: 'tracing' }),
      font,
    )
    const said = sheet.document.pages.flatMap((p) => wordsOf(p.marks).map((w) => w.text)).join(' ')
    expect(said).toContain('Watt ?')
    expect(said).toContain('Nets')
    expect(said).not.toContain('Show grid')
  })
  test('the board has every level of every key, on the key or in a note', () => {
    const { document } = demo({ kind: 'board', deviceId: 'keyboard', contextId: 'tracing' })
    const all = document.pages.flatMap((p) => wordsOf(p.marks).map((w) => w.text)).join(' ')
    for (const name of ['Find feature', 'Lock layer', 'Unlock layer', 'Measure area', 'Help', 'Pan'])
      expect(all).toContain(name)
  })
  test('the board leaves blocks without commands out, and says what its signs mean', () => {
    const { document } = demo({ kind: 'board', deviceId: 'keyboard', contextId: 'tracing' })
    const said = wordsOf(document.pages[0]!.marks).map((w) => w.text)
    expect(said).not.toContain('Num')
    expect(said).toContain('Ctrl')
    expect(said).toContain('+2: two more, in the list below')
    // the keys reach across the page
    const xs = corners(document.pages[0]!.marks).map((c) => c.x)
    expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(0.9 * document.pages[0]!.widthMm)
  })
  test('an overlay has every label in true size where its key is, its ground over the edge', () => {
    const { document, unreadable } = demo(
      { kind: 'overlay', deviceId: 'pad' },
      { material: 'black', ink: '#ffffff' },
    )
    expect(unreadable).toEqual([])
    const { marks } = document.pages[0]!
    const at = (id: string) => marks.find((m) => m.kind === 'group' && m.id === id)!
    const keys = new Map(env.controls.map((c) => [c.id, c]))
    expect(at('pad/k2').xMm - at('pad/k1').xMm).toBeCloseTo(
      keys.get('pad/k2')!.xMm - keys.get('pad/k1')!.xMm,
      6,
    )
    const ground = marks[0]!
    expect(ground).toMatchObject({ kind: 'path', fill: '#000000' })
    // 3 mm on each side beyond where the knife goes
    const box = /^M(\S+) (\S+) h(\S+) v(\S+)/
      .exec((ground as { d: string }).d)!
      .slice(1)
      .map(Number)
    const cut = [...(marks.findLast((m) => m.kind === 'path') as { d: string }).d.matchAll(/M(\S+) (\S+) v/g)]
    const lefts = cut.map((m) => Number(m[1]))
    expect(Math.min(...lefts) - box[0]!).toBeCloseTo(3, 6)
    expect(box[0]! + box[2]! - Math.max(...lefts)).toBeCloseTo(3, 6)
  })
  test('an overlay that is larger than the paper says what it needs', () => {
    expect(() => demo({ kind: 'overlay', deviceId: 'keyboard' })).toThrow(/needs a sheet of \d+ x \d+ mm/)
  })
  test('what is new since another arrangement has a bar and a colour, on labels and on the board', () => {
    const placements = activeArrangement(demoPlan).placements
    const before = placements.filter((p) => p.commandId !== 'fenmap-show-grid')
    for (const kind of ['labels', 'board'] as const) {
      const { document } = makeSheet(
        { title: 'Demo', placements, before, env, design: demoPlan.labels, icons },
        choice({ kind, deviceId: 'keyboard' }),
        font,
      )
      const words = document.pages.flatMap((p) => [...flat(p.marks)].map(({ mark }) => mark))
      const marked = words.flatMap((m) => (m.kind === 'text' && m.colour === '#a8480a' ? [m.text] : []))
      expect(marked.join(' ')).toBe('Show grid')
      const all = JSON.stringify(document)
      expect(all.match(/"fill":"#a8480a"/g)!.length).toBeGreaterThanOrEqual(1)
    }
  })
  test('a stroke card stands for each context with strokes, and its commands lie where they are drawn', () => {
    const { document, unreadable } = demo({ kind: 'strokes', programId: null })
    expect(unreadable).toEqual([])
    expect(document.pages.length).toBeGreaterThan(3)
    const tracing = document.pages.find((p) => wordsOf(p.marks).some((w) => w.text === 'Fenmap, Tracing'))!
    const at = (text: string) => wordsOf(tracing.marks).find((w) => w.text === text)!
    expect(at('Next fault').x).toBeGreaterThan(at('Previous fault').x + 30)
    expect(at('Fit chart').y).toBeLessThan(at('Measure').y - 20)
  })
  test('deck pictures are of every button that does something, on each page', () => {
    const { faces } = demo({ kind: 'deck' })
    expect(faces!.filter((f) => f.reason !== '')).toEqual([])
    expect(new Set(faces!.map((f) => f.pageName)).size).toBe(4)
    expect(new Set(faces!.map((f) => f.id)).size).toBe(faces!.length)
    // a button that opens another page says so
    expect(faces!.some((f) => wordsOf(f.drawing.marks).some((w) => w.text.startsWith('Page')))).toBe(true)
  })
  test('a choice with nothing to show says what to do', () => {
    expect(() => demo({ kind: 'deck', deviceId: 'nope' })).toThrow(/no device "nope".*choose one of deck/)
    expect(() => demo({ kind: 'board' }, { paper: 'napkin' })).toThrow(/no paper "napkin"/)
    expect(() => demo({}, { stockId: 'nope' })).toThrow(/no stock "nope"/)
  })
  test.each(shippedStocks.map((s) => s.id))('labels on %s keep inside it', (stockId) => {
    const { document } = demo({ deviceId: 'pad' }, { stockId })
    const { marks, widthMm } = document.pages[0]!
    expect(marks.length).toBeGreaterThan(0)
    for (const { x } of corners(marks)) expect(x).toBeLessThanOrEqual(widthMm)
  })
})

test('many labels go on to further pages', () => {
  const keys = boardControls('ansi-104', 'windows').filter((c) => /^(Key|Digit|F\d|Numpad\d)/.test(c.id))
  const commands = keys.map((k) => command(`Do ${k.id}`.slice(0, 9)))
  const boards = Array.from({ length: 5 }, (_, n) => onBench(keys, `board${n}`)).flat()
  const given = keys.map((k, i) => ({
    commandId: commands[i]!.id,
    trigger: placements({ x: k.id })[0]!.trigger,
  }))
  const { labels } = set({}, design(), { commands, controls: boards, placements: given })
  const { pages } = layLabels(labels.map(readyLabel), stockOf('a4'), { cut: 'none', skip: 0, note: '' }, font)
  expect(labels).toHaveLength(boards.length)
  expect(pages.length).toBeGreaterThan(1)
})

describe('the design in a plan', () => {
  test('of the demo is sound', () => {
    expect(labelDesignSchema.parse(demoPlan.labels)).toEqual(demoPlan.labels)
  })
  test.each([
    [
      { icons: [{ id: 'own-x', name: 'x', units: 24, paths: [{ d: 'M0 0"/><script>', strokeUnits: 1 }] }] },
      /data of an SVG path/,
    ],
    [
      { icons: [{ id: 'map', name: 'x', units: 24, paths: [{ d: 'M0 0', strokeUnits: 1 }] }] },
      /begin with own-/,
    ],
    [{ stocks: [{ ...stockOf('a4-5x13'), id: 'own', pitchXMm: 5 }] }, /overlap/],
    [{ stocks: [{ kind: 'sheet', id: 'own', name: 'x', media: 'napkin' }] }, /no paper/],
    [{ rule: { ...demoPlan.labels.rule, ink: 'red' } }, /colour such as/],
  ])('what cannot be drawn or printed is refused: %o', (change, message) => {
    expect(() => labelDesignSchema.parse({ ...demoPlan.labels, ...change })).toThrow(message)
  })
})

type Marks = ReturnType<typeof demo>['document']['pages'][number]['marks']

/** Places of all text, and its words. */
function wordsOf(marks: Marks, dx = 0, dy = 0): { text: string; x: number; y: number; right: number }[] {
  return marks.flatMap((m) => {
    if (m.kind === 'group') return wordsOf(m.marks, dx + m.xMm, dy + m.yMm)
    if (m.kind !== 'text') return []
    const x = dx + m.xMm
    return [{ text: m.text, x, y: dy + m.baselineMm, right: x + font.widthMm(m.text, m.capMm) }]
  })
}

const corners = (marks: Marks) =>
  wordsOf(marks).flatMap(({ x, y, right }) => [
    { x, y },
    { x: right, y },
  ])
