import { expect, test } from 'vitest'
import { cli, demo, json } from './run.js'

test('days: which changes on which day, with the time of each and the day from which it has paid', async () => {
  const found = await json('days', demo, '--from', 'defaults', '--to', 'draft-1', '--new', '40')
  expect(found).toMatchObject({ from: 'defaults', to: 'draft-1', newPerDay: 40 })
  expect(found.days.length).toBeLessThan(8)
  expect(found.days.at(-1).minutesPerDay).toBe(found.afterMinutesPerDay)
  expect(found.afterMinutesPerDay).toBeLessThan(found.nowMinutesPerDay)
  expect(found.breakEvenDay).toBeGreaterThanOrEqual(found.breakEvenRange[0])
  expect(found.breakEvenDay).toBeLessThanOrEqual(found.breakEvenRange[1])
  // what is set now is the start where nothing is said
  expect((await json('days', demo, '--new', '40')).from).toBe('defaults')
  const { status, stderr } = await cli('days', demo, '--from', 'nothing')
  expect([status, stderr.includes('defaults')]).toEqual([2, true])
})
