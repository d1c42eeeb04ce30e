// among the isolated tests: the package looks for the browser's store once, when it is loaded
import 'fake-indexeddb/auto'
import { chord } from '@reach-plot/core'
import type { Answer } from '@reach-plot/core/practice'
import { beforeEach, describe, expect, test } from 'vitest'
import {
  addAnswer,
  forgetPractice,
  joinAnswers,
  openPractice,
  usePractice,
} from '../../src/store/practice-store.js'

let clock = 1_700_000_000_000
const answer = (commandId: string): Answer => ({
  time: clock++,
  commandId,
  trigger: chord('KeyA'),
  kind: 'key',
  pressed: null,
  ms: 500,
  right: true,
})
const answers = (): readonly string[] => (usePractice.getState().answers ?? []).map((a) => a.commandId)
/** Opens another plan and this one anew, so that the record is read from the store. */
const readAnew = async (planId: string): Promise<void> => {
  await openPractice('elsewhere')
  await openPractice(planId)
}

describe('a record of practice', () => {
  beforeEach(async () => {
    await openPractice('plan')
    await forgetPractice('plan')
    await readAnew('plan')
  })
  test('is there again with every answer, in order, and belongs to its plan', async () => {
    for (let i = 0; i < 450; i++) await addAnswer(answer(`c${i}`))
    await openPractice('other')
    expect(answers()).toEqual([])
    await openPractice('plan')
    expect(answers()).toHaveLength(450)
    expect(answers().slice(0, 2)).toEqual(['c0', 'c1'])
    expect(usePractice.getState().isKept).toBe(true)
  })
  test('a file is joined, and the same file twice adds nothing', async () => {
    await addAnswer(answer('mine'))
    const file = Array.from({ length: 250 }, (_, i) => answer(`f${i}`))
    expect(await joinAnswers(file)).toBe(250)
    expect(await joinAnswers(file)).toBe(0)
    await readAnew('plan')
    expect(answers()).toHaveLength(251)
  })
  test('an answer that comes while the record is read is not lost', async () => {
    await addAnswer(answer('before'))
    await openPractice('elsewhere')
    const opening = openPractice('plan')
    await addAnswer(answer('meanwhile'))
    await opening
    expect(answers()).toEqual(['before', 'meanwhile'])
  })
})
