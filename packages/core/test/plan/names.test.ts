import { describe, expect, test } from 'vitest'
import { addContext, addProgram, editContext, emptyPlan, renameProgram } from '../../src/index.js'

const start = addContext(
  addProgram(addProgram(emptyPlan(), 'Fenmap').plan, 'Reedcall').plan,
  'fenmap',
  'Tracing',
).plan
const contexts = (plan: typeof start): string[] => plan.programs[0]!.contexts.map((c) => c.name)

describe('names of programs and contexts', () => {
  test.each(['', '   ', 'Fenmap', 'FENMAP '])(
    'a program “%s” is not added twice, nor without a name',
    (name) => {
      expect(addProgram(start, name).plan).toBe(start)
      expect(renameProgram(start, 'reedcall', name)).toBe(start)
    },
  )
  test.each(['', ' ', 'tracing', 'Tracing'])(
    'a context “%s” is not added twice, nor without a name',
    (name) => {
      expect(contexts(addContext(start, 'fenmap', name).plan)).toEqual(['Main', 'Tracing'])
      expect(contexts(editContext(start, 'fenmap', 'main', { name }))).toEqual(['Main', 'Tracing'])
    },
  )
  test('its own name in other letters is no other’s', () => {
    expect(renameProgram(start, 'fenmap', 'fenMap').programs[0]!.name).toBe('fenMap')
    expect(contexts(editContext(start, 'fenmap', 'tracing', { name: 'TRACING', typing: true }))).toContain(
      'TRACING',
    )
  })
})
