import { expect, test } from 'vitest'
import { demo, json } from './run.js'

test('setup: what to change where, in order, with what each step waits for', async () => {
  const found = await json('setup', demo, '--from', 'defaults', '--to', 'draft-1')
  expect(found).toMatchObject({ from: 'defaults', to: 'draft-1' })
  expect(found.steps[0]).toMatchObject({ kind: 'system', command: null })
  const ids: string[] = found.steps.map((s: { id: string }) => s.id)
  for (const [i, step] of found.steps.entries())
    for (const id of step.after) expect(ids.indexOf(id), step.id).toBeLessThan(i)
  expect(
    (await json('setup', demo, '--from', 'draft-1', '--to', 'draft-1')).steps.every(
      (s: { kind: string }) => s.kind === 'system',
    ),
  ).toBe(true)
})
