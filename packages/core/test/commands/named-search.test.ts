import { describe, expect, test } from 'vitest'
import { namedSearch } from '../../src/index.js'

describe('searching among many', () => {
  const choices = [
    { id: 'a', name: 'Left Shift', detail: 'Keyboard' },
    { id: 'b', name: 'S', detail: 'Keyboard' },
    { id: 'c', name: 'S', detail: 'Pad' },
    { id: 'd', name: 'Scroll', detail: 'Mouse' },
  ]
  const search = namedSearch((c: (typeof choices)[number]) => c)
  const found = (query: string) => search(choices, query).map((c) => c.id)
  test('the very name comes first, then what begins so, then what has it', () =>
    expect(found('s')).toEqual(['b', 'c', 'd', 'a']))
  test('each word may be in the name or beside it', () => expect(found('s pad')).toEqual(['c']))
  test('nothing typed lists all, in their order', () => expect(found(' ')).toEqual(['a', 'b', 'c', 'd']))
  test('accents do not count, and one letter of a longer word may be wrong', () => {
    expect(found('scrôll')).toEqual(['d'])
    expect(found('scrol')).toEqual(['d'])
    expect(found('scorll')).toEqual(['d'])
  })
})
