import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { chord } from '../../src/index.js'
import {
  askedKinds,
  inOrder,
  readRecord,
  recordLine,
  writeRecord,
  type Answer,
} from '../../src/practice/index.js'

const someAnswer: fc.Arbitrary<Answer> = fc.record({
  time: fc.integer({ min: 0, max: 4_000_000_000_000 }),
  commandId: fc.string({ minLength: 1, maxLength: 20 }),
  trigger: fc.constantFrom(chord('KeyH'), chord('KeyU', ['Shift'])),
  kind: fc.constantFrom(...askedKinds),
  pressed: fc.constantFrom(null, chord('KeyX')),
  ms: fc.integer({ min: 0, max: 60_000 }),
  right: fc.boolean(),
})

describe('a record', () => {
  test('comes back as it went out, in order', () => {
    fc.assert(
      fc.property(fc.array(someAnswer, { maxLength: 30 }), (answers) => {
        expect(readRecord(writeRecord(answers)).answers).toEqual(inOrder(answers))
      }),
    )
  })
  test('lists bad lines with their numbers and reads the rest', () => {
    const good = recordLine({
      time: 0,
      commandId: 'hide',
      trigger: chord('KeyH'),
      kind: 'key',
      pressed: null,
      ms: 640,
      right: true,
    })
    const { answers, bad } = readRecord(`${good}{"time":"now"}\n\nno json\n${good}`)
    expect(answers).toHaveLength(1)
    expect(bad.map((b) => b.line)).toEqual([2, 4])
  })
  test('with no answer at all is refused with what to give', () => {
    expect(() => readRecord('name;key\nHide;H\n')).toThrow(/line 1: this is no JSON.*one answer a line/)
  })
  test('that is empty holds nothing', () => {
    expect(readRecord('').answers).toEqual([])
  })
})
