import { describe, expect, test, vi } from 'vitest'
import { CoreError } from '@reach-plot/core'
import { problemInWords } from '../../src/store/problem.js'
import { AppProblem } from '../../src/worker/app-problem.js'

describe('what a person is told of an error', () => {
  test('its own words where it was made for a person, also out of a worker', () => {
    const made = new CoreError('USAGE_EMPTY', {
      where: ['log.csv'],
      what: 'the log has no rows',
      remedy: 'look',
    })
    // as comlink gives it: name and message, without the class
    const fromWorker = Object.assign(new Error(made.message), { name: made.name })
    for (const error of [made, fromWorker]) expect(problemInWords(error)).toContain('the log has no rows')
    expect(problemInWords(new AppProblem('The icons could not be read (404).'))).toMatch(/icons/)
  })
  test('never the words of the engine', () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
    for (const error of [
      new TypeError("Cannot read properties of undefined (reading 'x')"),
      'text',
      null,
      undefined,
    ])
      expect(problemInWords(error)).toBe('Something went wrong in the app itself.')
    expect(problemInWords(new DOMException('x', 'QuotaExceededError'))).toMatch(/storage is full/)
  })
})
