import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { linePieces } from '../../src/labels/breaks.js'
import { isRightToLeft, visualParts } from '../../src/drawing/direction.js'

const oneFile = (): number => 0
const seen = (text: string): string[] => visualParts(text, oneFile).map((part) => part.text)

describe('what runs from right to left', () => {
  // worked by hand from Unicode Standard Annex 9, rules L2 (order) and L4 (mirrors)
  test('a Hebrew name keeps its order within the word, and its number', () => {
    expect(seen('שמור 12')).toEqual(['12', 'שמור '])
  })
  test('Hebrew within Latin: the line stays from left to right', () => {
    expect(seen('Save שלום now')).toEqual(['Save ', 'שלום', ' now'])
  })
  test('brackets are mirrored, whichever file has them', () => {
    const parts = visualParts('א (ב)', (c) => (/[\u0590-\u05ff]/.test(c) ? 1 : 0))
    expect(parts).toEqual([
      { text: '(', file: 0 },
      { text: 'ב', file: 1 },
      { text: ') ', file: 0 },
      { text: 'א', file: 1 },
    ])
  })
  test('a text without them is one part for each file', () => {
    expect(isRightToLeft('Zoom in, Увеличить, 拡大')).toBe(false)
    expect(visualParts('ab12', (c) => (/\d/.test(c) ? 1 : 0))).toEqual([
      { text: 'ab', file: 0 },
      { text: '12', file: 1 },
    ])
  })
  test('no sign is lost or made, whatever the text', () => {
    const signs = fc.string({ unit: fc.constantFrom('a', '1', ' ', '-', 'ש', 'ل', 'ا', '漢', '🦆', '،') })
    fc.assert(
      fc.property(signs, (text) => {
        expect([...seen(text).join('')].toSorted()).toEqual([...text].toSorted())
      }),
    )
  })
})

describe('where a line may end', () => {
  // classes of Unicode Standard Annex 14: SP, HY, ID, CL
  test.each([
    ['Zoom in', ['Zoom ', 'in']],
    ['Left-hand side', ['Left-', 'hand ', 'side']],
    ['保存する。', ['保', '存', 'す', 'る。']],
    ['  two  blanks ', ['two  ', 'blanks']],
    ['', []],
  ])('%j', (text, pieces) => {
    expect(linePieces(text)).toEqual(pieces)
  })
})
