import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chord } from '@reach-plot/core'
import { writeRecord, type Answer } from '@reach-plot/core/practice'
import { expect, test } from 'vitest'
import { cli, demo, json } from './run.js'

test('practice: what is new and due on a day, the same for the same record, and what is mixed up', async () => {
  const at = '2026-05-04T08:00:00Z'
  const common = ['practice', demo, '--zone', '0'] as const
  const first = await json(...common, '--at', at)
  expect(first).toMatchObject({ day: 1, due: [], answers: 0 })
  // five changes, some of which have more than one key
  expect(new Set(first.new.map((n: { command: string }) => n.command)).size).toBe(5)

  const [asked] = first.new
  const trigger = chord('KeyG')
  const missed: Answer = {
    time: Date.parse(at),
    commandId: asked.command,
    trigger,
    kind: 'key',
    pressed: chord('KeyH'),
    ms: 900,
    right: false,
  }
  const path = join(mkdtempSync(join(tmpdir(), 'reach-plot-practice-')), 'record.jsonl')
  writeFileSync(path, `${writeRecord([missed])}no answer\n`)
  const next = await json(...common, '--record', path, '--at', '2026-05-05T08:00:00Z')
  expect(next).toEqual(await json(...common, '--record', path, '--at', '2026-05-05T08:00:00Z'))
  expect(next.confusions).toMatchObject([
    { command: asked.command, pressed: 'H', asked: 'G', times: 1, of: 1 },
  ])
  expect(next.badLines).toMatchObject([{ line: 2 }])
  expect((await cli(...common, '--at', 'soon')).stderr).toMatch(/no moment.*2026-05-04/)
})

test('practice --take: own figures go into a plan, are told with their range, and are the ones that compare goes by', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-practice-'))
  const letters = [...'ABCDEFGHIJKLMNOPQRST'].map((letter) => chord(`Key${letter}`))
  const answers = Array.from({ length: 12 }, (_, n) =>
    letters.map((trigger, k): Answer => ({
      time: Date.UTC(2026, 4, 4 + n, 8, 0, 10 * k),
      commandId: `c${k}`,
      trigger,
      kind: 'key',
      pressed: trigger,
      ms: 700 + Math.round(2000 / Math.sqrt(n + 1)),
      right: true,
    })),
  ).flat()
  const [record, out] = [join(folder, 'record.jsonl'), join(folder, 'own.json')]
  writeFileSync(record, writeRecord(answers))
  const told = await json('practice', demo, '--record', record, '--take', '--out', out)
  expect(told.own.answers).toBe(240)
  const { uses, ms, range } = told.own.learning
  expect(range[0]).toBeLessThanOrEqual(1)
  const learning = async (plan: string): Promise<number> => {
    const { days } = await json('days', plan, '--new', '1000')
    return (days as { learningMinutes: number }[]).reduce((sum, d) => sum + d.learningMinutes, 0)
  }
  const [assumed, own] = [await learning(demo), await learning(out)]
  expect(own / assumed).toBeGreaterThan((0.7 * (uses * ms)) / (20 * 1350))
  expect(own).not.toBe(assumed)
  expect((await cli('practice', demo, '--take')).stderr).toMatch(/--out/)
})
