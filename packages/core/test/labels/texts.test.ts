import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  arcMinutesOf,
  heightAtMm,
  iconSet,
  labelIconId,
  labelTexts,
  shorten,
  type NamedEntry,
} from '../../src/labels/index.js'
import { contrastOf, groundOf } from '../../src/label-design/index.js'
import { loadLabelFont } from '../../src/drawing/index.js'
import { abbreviations } from '../../src/labels/abbreviations.js'
import { command } from '../build.js'
import { iconPackage, icons } from '../../../print/test/tools.js'
import { design, source } from './source.js'

test('20 minutes of arc at 500 mm are 2.9 mm', () => {
  // ISO 9241-303 (from memory) asks for 16′ at least and 20 to 22′ for comfort; the height is plain trigonometry
  expect(heightAtMm(20, 500)).toBeCloseTo(2.91, 2)
  expect(arcMinutesOf(heightAtMm(16, 730), 730)).toBeCloseTo(16, 9)
})

describe('contrast by WCAG 2.2', () => {
  // the ends of the scale by the definition; the greys are the W3C's own examples of 4.5 to 1 and 3 to 1 on white
  test.each([
    ['#000000', '#ffffff', 21],
    ['#ffffff', '#ffffff', 1],
    ['#767676', '#ffffff', 4.54],
    ['#949494', '#ffffff', 3.03],
    ['#ff0000', '#ffffff', 4],
  ])('%s on %s is %d to 1', (a, b, ratio) => {
    expect(contrastOf(a, b)).toBeCloseTo(ratio, 2)
    expect(contrastOf(b, a)).toBeCloseTo(ratio, 2)
  })
  test('clear stock shows the key', () => {
    expect(groundOf('clear', '#223344')).toBe('#223344')
    expect([groundOf('white', '#223344'), groundOf('black', '#223344')]).toEqual(['#ffffff', '#000000'])
  })
})

describe('shortening by rule', () => {
  test.each([
    [0, 'Select all of the measured properties'],
    [1, 'Select measured properties'],
    [2, 'Sel measured props'],
    [3, 'Sel measur. props'],
    [4, 'Sel meas. props'],
    [5, 'Sel mea. pro.'],
  ])('step %i', (step, text) => {
    expect(shorten('Select all of the measured properties', step).toLowerCase()).toBe(text.toLowerCase())
  })
  test('keeps the last word, since “in” tells zooming in from zooming out', () => {
    expect([1, 2, 3].map((step) => shorten('Zoom in', step))).toEqual(['Zoom in', 'Zoom in', 'Zoom in'])
  })
  test.each(['Verify outline', 'Paste', 'Thinner stroke', 'Image duplicate', 'Measure distance'])(
    'no word of “%s” is made of its consonants or left with an initial',
    (name) => {
      for (const step of [1, 2, 3, 4, 5])
        for (const word of shorten(name, step).split(' ')) {
          if ([...abbreviations.values()].includes(word.toLowerCase())) continue
          // else the beginning of the word, of three letters at least
          const [start] = word.split('.') as [string]
          const whole = name.split(' ').find((w) => w.startsWith(start))
          expect(whole, word).toBeDefined()
          expect(start.length).toBeGreaterThanOrEqual(Math.min(3, whole!.length))
        }
    },
  )
  test('a blank at an end is no last word', () => {
    expect([1, 2, 3].map((step) => shorten(' ! ', step))).toEqual(['!', '!', '!'])
  })
  test('never ends empty, and no step is longer than the text', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1 }), fc.nat(5), (text, step) => {
        if (text.trim() === '') return
        const short = shorten(text, step)
        expect(short.trim()).not.toBe('')
        // a full stop may stand for what was cut
        expect([...short].length).toBeLessThanOrEqual([...text].length + 1)
      }),
    )
  })
})

describe('words of one key alone', () => {
  const commands = [command('Hide shape', { label: 'Hide' }), command('Measure')]
  const words = [{ commandId: 'hide-shape', text: 'Out of sight', icon: 'undo' }]
  const entriesOf = (code: string, keys: Parameters<typeof design>[1]): readonly NamedEntry[] =>
    labelTexts(source({ 'hide-shape': 'KeyH', measure: 'Shift+KeyH' }, design({}, keys), { commands })).find(
      (l) => l.control.code === code,
    )!.text.entries
  test('stand on it in place of the command’s, for that command alone', () => {
    const [hide, measure] = entriesOf('KeyH', [{ controlId: 'keyboard/KeyH', words }])
    // and without its short text, which would say something else
    expect(hide).toMatchObject({ text: 'Out of sight', short: undefined, icon: icons.get('undo') })
    expect(measure).toMatchObject({ text: 'Measure' })
    expect(entriesOf('KeyH', [{ controlId: 'keyboard/KeyM', words }])[0]).toMatchObject({
      text: 'Hide shape',
    })
  })
  test('leave what they do not say as it is on other keys', () => {
    const [hide] = entriesOf('KeyH', [{ controlId: 'keyboard/KeyH', words: [{ commandId: 'hide-shape' }] }])
    expect(hide).toEqual(entriesOf('KeyH', [])[0])
    expect(hide).toMatchObject({ text: 'Hide shape', short: 'Hide' })
  })
})

describe('icons', () => {
  test.each([
    ['Zoom in', 'zoom-in'],
    ['Undo', 'undo'],
    ['Cut', 'scissors'],
    ['Lock layer', 'lock'],
    ['Full screen', 'fullscreen'],
    ['Sluice', null],
  ])('“%s” suggests %s', (name, icon) => {
    expect(icons.suggest(name)).toBe(icon)
  })
  test('the person’s choice comes before what the name suggests', () => {
    expect(labelIconId(command('Zoom in', { icon: 'map' }), icons)).toBe('map')
    expect(labelIconId(command('Zoom in'), icons)).toBe('zoom-in')
  })
  test('are found by what they show, own ones first', () => {
    const own = {
      id: 'own-tide',
      name: 'Map of tides',
      units: 24,
      paths: [{ d: 'M0 0 L1 1', strokeUnits: 2 }],
    }
    expect(iconSet(iconPackage, [own]).search('map', 20)[0]).toBe('own-tide')
    expect(icons.search('scissors', 5)).toContain('scissors')
    expect(icons.search('cut', 50)).toContain('scissors')
    expect(icons.search('map', 3)).toHaveLength(3)
    expect(icons.search('zzzz', 3)).toEqual([])
    expect(icons.get('no-such-icon')).toBeNull()
    expect(icons.get('toString')).toBeNull()
  })
  test('every icon of the package has outlines that writers of files can read', () => {
    for (const id of Object.keys(iconPackage.nodes)) {
      const icon = icons.get(id)!
      expect(icon.paths.length).toBeGreaterThan(0)
      for (const { d } of icon.paths) expect(d).toMatch(/^M[-0-9.MLHVCQZe ,]+$/)
    }
  })
})

describe('what labels say', () => {
  const entries = (...given: Parameters<typeof source>) =>
    Object.fromEntries(
      labelTexts(source(...given)).map((l) => [l.control.id.split('/')[1], l.text] as const),
    ) as Record<string, { legend: string; entries: readonly NamedEntry[] }>

  test('all levels of a key, the plain one first, with its own text and short text', () => {
    const commands = [
      command('Hide shape', { label: 'Hide' }),
      command('Show all shapes'),
      command('Measure'),
    ]
    const texts = entries(undefined, design({}, [], { texts: [{ commandId: 'measure', text: 'Ruler' }] }), {
      commands,
    })
    expect(texts['KeyH']!.entries.map((e) => [e.held.join(), e.text, e.short])).toEqual([
      ['', 'Hide shape', 'Hide'],
      ['Shift', 'Show all shapes', undefined],
    ])
    expect(texts['KeyM']!.entries[0]!.text).toBe('Ruler')
  })
  test('how a key is worked stands before the text', () => {
    const texts = entries({ measure: 'KeyM hold', 'hide-shape': 'KeyM x2', 'lock-layer': 'KeyM while' })
    expect(texts['KeyM']!.entries.map((e) => e.how).toSorted()).toEqual(['held', 'hold', 'twice'])
  })
  test('levels can be left out for all keys, or all but one for a key', () => {
    expect(entries(undefined, design({ without: ['Shift'] }))['KeyH']!.entries).toHaveLength(1)
    const texts = entries(undefined, design({}, [{ controlId: 'keyboard/KeyH', level: ['Shift'] }]))
    expect(texts['KeyH']!.entries.map((e) => e.text)).toEqual(['Show all shapes'])
  })
  test('the chord stands in words in place of the signs, without signs that the font lacks', () => {
    const texts = entries(
      { measure: 'Control+Shift+ArrowUp', 'hide-shape': 'KeyH' },
      design({ showChord: true }),
    )
    expect(texts['ArrowUp']!.entries[0]).toMatchObject({ held: [], chord: 'Ctrl+Shift+Up' })
    expect(texts['ArrowUp']!.legend).toBe('Up')
  })
  test('strokes and pop-up sets stand on no key', () => {
    expect(entries({ measure: 'mouse/field stroke 1/8', 'hide-shape': 'popup/shapes 2' })).toEqual({})
  })
})

test('a file that is no WOFF is refused', () => {
  expect(() => loadLabelFont([new Uint8Array(100)])).toThrow(/WOFF/)
})
