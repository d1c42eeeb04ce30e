import { describe, expect, test } from 'vitest'
import { acceptUsage, readPlan, usageReader, writePlan, type CommandId } from '../../src/index.js'
import { atWork, dayMs, type Known } from '../../src/practice/index.js'
import { demo } from '../shuffled.js'

const [hide, show] = demo.commands.filter((c) => c.programId === demo.programs[0]!.id) as [
  (typeof demo.commands)[number],
  (typeof demo.commands)[number],
]
const program = demo.programs[0]!.name

/** Two uses a day over six weeks from Monday 2026-05-04: the first by menu until the last two weeks, the second always by menu. */
const rows = Array.from({ length: 42 }, (_, day) => {
  const date = new Date(Date.UTC(2026, 4, 4) + day * dayMs).toISOString().slice(0, 10)
  return [
    `${date}T09:00:00,${program},,${hide.id},${day < 28 ? 'menu' : 'key'}`,
    `${date}T09:01:00,${program},,${show.id},menu`,
  ]
}).flat()

const reader = usageReader(demo, 'weeks.csv')
reader.push(`time,program,context,command,how\n${rows.join('\n')}\n`)
const report = reader.finish()
const { usage } = acceptUsage(report, demo.commands)
const commands = new Map(demo.commands.map((c) => [c.id as string, c]))
const known = (commandId: CommandId, firstDay: number): Known => ({
  commandId,
  trigger: { kind: 'chord', modifiers: [], code: 'KeyA' },
  firstTime: Date.UTC(2026, 4, 4) + firstDay * dayMs,
  dueTime: 0,
  stabilityDays: 9,
  answers: 6,
  lastTime: 0,
  lastRight: true,
})

describe('a log over weeks', () => {
  test('is told by the Monday of each week, and goes out and in with the plan', () => {
    expect(report.badRows).toBe(0)
    expect(usage.weeks?.map((w) => w.monday)).toEqual([
      '2026-05-04',
      '2026-05-11',
      '2026-05-18',
      '2026-05-25',
      '2026-06-01',
      '2026-06-08',
    ])
    expect(usage.weeks?.[0]?.commands[hide.id]).toEqual([7, 0, 0])
    expect(usage.weeks?.[5]?.commands[hide.id]).toEqual([0, 0, 7])
    const plan = { ...demo, usage }
    expect(readPlan(writePlan(plan), 'x')).toEqual(plan)
  })
  test('shares of a week add up, and follow the change', () => {
    const { weeks } = atWork(usage, [], commands)
    expect(weeks.map((w) => w.byMenu)).toEqual([1, 1, 1, 1, 0.5, 0.5])
    for (const w of weeks) expect(w.byMenu + w.byPointer + w.byKey).toBeCloseTo(1)
  })
  test('what is known in practice and still run from the menu is told, by the weeks since it was practised', () => {
    const { still } = atWork(usage, [known(hide.id, 28), known(show.id, 14)], commands)
    expect(still.map((s) => [s.command.id, s.uses, s.byMenu])).toEqual([[show.id, 28, 1]])
    expect(atWork(usage, [known(show.id, 60)], commands).still).toEqual([])
    expect(atWork(usage, [{ ...known(show.id, 14), lastRight: false }], commands).still).toEqual([])
    expect(atWork(null, [known(show.id, 14)], commands)).toEqual({ weeks: [], still: [] })
  })
})
