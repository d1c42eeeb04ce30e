import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  acceptUsage,
  frequentSequences,
  routineFrom,
  usageFigures,
  usageReader,
  type UsageReport,
} from '../../src/index.js'
import { isoTimeMs } from '../../src/usage/time.js'
import { command, program } from '../build.js'

const commands = [
  command('Hide', { contextIds: ['tracing'] }),
  command('Hide', { id: 'hide-label', contextIds: ['labelling'] }),
  command('Pen', { id: 'pen-1', parameter: 'fine' }),
  command('Pen', { id: 'pen-2', parameter: 'broad' }),
  command('Undo'),
]
const plan = { programs: [program()], commands }
const heading = 'time,program,context,command,how\n'
const row = (second: number, name: string, context = 'Tracing', how = 'key'): string =>
  `2026-05-04T09:${String(Math.floor(second / 60)).padStart(2, '0')}:${String(second % 60).padStart(2, '0')},Fenmap,${context},${name},${how}\n`

function read(text: string, pieceLength = 1e9): UsageReport {
  const reader = usageReader(plan, 'log.csv')
  for (let i = 0; i < text.length; i += pieceLength) reader.push(text.slice(i, i + pieceLength))
  return reader.finish()
}

describe('a usage log', () => {
  test('gives counts by command and by how it was called, and what follows what', () => {
    const report = read(
      heading + row(0, 'Hide') + row(2, 'Undo', '', 'menu') + row(4, 'Hide') + row(6, 'Undo', '', 'pointer'),
    )
    expect(report).toMatchObject({ goodRows: 4, badRows: 0, sessions: 1 })
    expect(report.activeHours).toBeCloseTo(6 / 3600)
    expect(report.commands).toEqual([
      { commandId: 'hide', uses: 2, byMenu: 0, byPointer: 0, byKey: 2, byContext: { tracing: 2 } },
      { commandId: 'undo', uses: 2, byMenu: 1, byPointer: 1, byKey: 0 },
    ])
    expect(report.follows).toEqual([
      { from: 'hide', to: 'undo', uses: 2 },
      { from: 'undo', to: 'hide', uses: 1 },
    ])
  })
  test('tells namesakes apart by context and parameter', () => {
    const report = read(
      `${heading}${row(0, 'Hide', 'Labelling')}${row(1, '"Pen, broad"', '')}${row(2, 'pen-1', '')}`,
    )
    expect(report.commands.map((c) => c.commandId)).toEqual(['hide-label', 'pen-1', 'pen-2'])
    expect(read(heading + row(0, 'Pen')).bad[0]!.reason).toContain('2 commands are called “Pen”')
  })
  test('is the same in pieces of any length, with quoted line breaks and either line end', () => {
    const text = (
      heading +
      row(0, 'Hide') +
      row(1, '"Pen, fine"', '') +
      row(2, '"a\nb"') +
      row(3, 'Undo', '')
    ).replaceAll('\n2026', '\r\n2026')
    const whole = read(text)
    expect(whole.bad).toEqual([{ line: 4, reason: 'Fenmap has no command “a\nb”.' }])
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), (n) => {
        expect(read(text, n)).toEqual(whole)
      }),
    )
  })
  test('the heading tells the separator, with columns of others in it and without a row yet', () => {
    const text = 'how;"size, kB";command;program;time\nkey;3;"Undo";Fenmap;2026-05-04T09:00:00\n'
    expect(read(text)).toMatchObject({ goodRows: 1, badRows: 0 })
    expect(() => read('time;program;command;how')).toThrow(/no rows/)
  })
  test('bad rows are counted with line and reason; the rest can be used', () => {
    const report = read(
      heading +
        row(0, 'Hide') +
        row(1, 'Nope') +
        row(2, 'Hide', 'Nowhere') +
        row(3, 'Hide', 'Tracing', 'shout') +
        'yesterday,Fenmap,Tracing,Hide,key\n' +
        '2026-05-04T09:00:00,Atlas,,Fold,key\n\n' +
        row(9, 'Undo', ''),
    )
    expect(report).toMatchObject({ goodRows: 2, badRows: 5 })
    expect(report.bad.map((b) => b.line)).toEqual([3, 4, 5, 6, 7])
    expect(report.reasons.map((r) => r.rows)).toEqual([1, 1, 1, 1, 1])
    expect(report.unknown.map((u) => u.command).sort()).toEqual(['Fold', 'Nope'])
  })
  test('pauses end a sitting and do not count as work; rows out of order are put in order', () => {
    const late = '2026-05-04T11:00:00,Fenmap,Tracing,Hide,key\n'
    const report = read(heading + late + row(0, 'Hide') + row(10, 'Undo', ''))
    expect(report.sessions).toBe(2)
    expect(report.activeHours).toBeCloseTo(10 / 3600)
    expect(report.follows).toEqual([{ from: 'hide', to: 'undo', uses: 1 }])
  })
  test('may be JSON Lines', () => {
    const line = (change: object) =>
      JSON.stringify({
        time: '2026-05-04T09:00:00',
        program: 'Fenmap',
        command: 'Undo',
        how: 'menu',
        ...change,
      })
    const report = read(
      [line({}), '{"time":', line({ command: 7 }), line({ time: '2026-05-04T09:00:01' })].join('\n'),
      7,
    )
    expect(report).toMatchObject({ goodRows: 2, badRows: 2 })
    expect(report.bad).toEqual([
      { line: 2, reason: 'The line is not JSON.' },
      { line: 3, reason: 'The field “command” is missing or no text.' },
    ])
  })
  test.each([
    ['', /no rows/],
    ['time,program,command\n1,2,3\n', /column "how" is missing/],
    [`${heading}"2026`, /quotation mark is not closed/],
  ])('%j is refused as a whole', (text, message) => expect(() => read(text)).toThrow(message))
})

test('times are ISO 8601, the same as Date.parse gives for UTC', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date('1971-01-01'), max: new Date('2099-12-31'), noInvalidDate: true }),
      (date) => {
        expect(isoTimeMs(date.toISOString())).toBe(date.getTime())
      },
    ),
  )
  expect(isoTimeMs('2026-05-04 09:30') - isoTimeMs('2026-05-04T09:30:00Z')).toBe(0)
  expect(isoTimeMs('2026-05-04T09:30:00+02:00')).toBe(Date.parse('2026-05-04T09:30:00+02:00'))
  for (const bad of ['', 'noon', '2026-13-01T00:00', '2026-05-04', '04.05.2026 09:30'])
    expect(isoTimeMs(bad)).toBeNaN()
})

test.each([
  '2026-02-31T09:00:00',
  '2026-02-29T09:00:00',
  '2026-04-31T09:00:00',
  '2026-05-04T24:59:00',
  '2026-05-04T25:00:00',
  '2026-05-04T09:60:00',
  '2026-05-04T09:30:61',
])('%s is no time', (impossible) => {
  expect(isoTimeMs(impossible)).toBeNaN()
})

test('the ends of months, leap days and midnight at the end of a day are times', () => {
  expect(isoTimeMs('2028-02-29T09:00:00Z')).toBe(Date.UTC(2028, 1, 29, 9))
  expect(isoTimeMs('2000-02-29T00:00:00Z')).toBe(Date.UTC(2000, 1, 29))
  expect(isoTimeMs('1900-02-29T00:00:00')).toBeNaN()
  expect(isoTimeMs('2026-05-04T24:00:00')).toBe(isoTimeMs('2026-05-05T00:00:00'))
})

describe('hands at once in a log', () => {
  /** Twelve rounds of one pen by key, another by pointer, undo by key, with this gap before the pointer's command, ms. */
  const rounds = (gapMs: number, stepMs = 1, how = 'pointer'): UsageReport => {
    let at = Date.UTC(2026, 4, 4, 9)
    let text = heading
    const add = (gap: number, name: string, by: string): void => {
      at += gap
      text += `${new Date(Math.floor(at / stepMs) * stepMs).toISOString().slice(0, 23)},Fenmap,,${name},${by}\n`
    }
    for (let k = 0; k < 12; k++) {
      add(9000 + 37 * k, 'pen-1', 'key')
      add(gapMs + 3 * k, 'pen-2', how)
      add(2000, 'Undo', 'key')
    }
    return read(text)
  }
  const marked = (report: UsageReport) =>
    report.sequences.find((s) => s.commandIds.join() === 'pen-1,pen-2,undo')?.meanwhile

  test('the pointer that comes sooner after a key than pointing takes was under way already', () => {
    expect(marked(rounds(500))).toEqual([1])
    expect(marked(rounds(2500))).toBeUndefined()
  })
  test('keys one after another, and clocks of whole seconds, show nothing', () => {
    expect(marked(rounds(500, 1, 'key'))).toBeUndefined()
    expect(marked(rounds(500, 1000))).toBeUndefined()
  })
  test('a routine from such a sequence has the step at the same time, and the plan keeps it', () => {
    const { usage } = acceptUsage(rounds(500), commands)
    const sequence = usage.sequences.find((s) => s.meanwhile)!
    expect(routineFrom(sequence, 1, 'r', 'Two pens').steps.map((s) => 'meanwhile' in s)).toEqual([
      false,
      true,
      false,
    ])
  })
})

describe('repeated sequences', () => {
  const find = (ids: readonly number[], change = {}) =>
    frequentSequences(Int32Array.from(ids), {
      minSupport: 3,
      minLength: 2,
      maxLength: 6,
      limit: 20,
      ...change,
    })
  const times = (n: number, ids: readonly number[]) => Array.from({ length: n }, () => ids).flat()

  test('the longest comes first, without its parts and without repetitions of itself', () => {
    expect(find(times(5, [1, 2, 3, -1])).map((s) => s.ids)).toEqual([[1, 2, 3]])
    expect(find(times(9, [4])).map((s) => s.ids)).toEqual([])
  })
  test('what wraps round a shorter, more frequent one stands below it', () => {
    const found = find([...times(8, [1, 2, 3, 9, -1]), ...times(10, [1, 2, 3, -1])])
    expect(found.map((s) => [s.ids.length, s.support])).toEqual([
      [3, 18],
      [4, 8],
    ])
  })
  test('nothing crosses a separator', () => {
    expect(find(times(6, [1, -1, 2, -1]))).toEqual([])
  })
  test('two routines that meet by chance are not one', () => {
    const found = find([
      ...times(20, [1, 2, 3, -1]),
      ...times(20, [7, 8, 9, -1]),
      ...times(3, [1, 2, 3, 7, 8, 9, -1]),
    ])
    expect(found.map((s) => s.ids)).toEqual([
      [1, 2, 3],
      [7, 8, 9],
    ])
  })
  // Reference: a plain count of every window, in this test
  test('supports are the numbers of occurrences that do not overlap', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 2 }), { maxLength: 60 }), (ids) => {
        for (const { ids: sequence, support } of find(ids, { minSupport: 2 })) {
          let count = 0
          for (let i = 0; i + sequence.length <= ids.length;) {
            if (sequence.every((id, k) => ids[i + k] === id)) {
              count++
              i += sequence.length
            } else i++
          }
          expect(support).toBe(count)
        }
      }),
    )
  })
})

test('a report is taken over: rates of programs that it tells of, figures, routines', () => {
  const other = command('Far', { programId: 'reedcall', usesPerHour: 5 })
  const report = {
    ...read(heading + row(0, 'Hide', 'Tracing', 'menu') + row(36, 'Undo', '')),
    activeHours: 0.5,
  }
  const { usage, commands: after } = acceptUsage(report, [...commands, other])
  expect(after.map((c) => c.usesPerHour)).toEqual([2, 0, 0, 0, 2, 5])
  const figures = usageFigures(usage, after, (id) => id === 'hide')
  expect(figures).toMatchObject({ uses: 2, menuShare: 0.5, pointerShare: 0 })
  expect(figures.menuThoughPlaced.map((m) => m.command.id)).toEqual(['hide'])
  expect(
    routineFrom({ programId: 'fenmap', commandIds: ['hide', 'undo'], support: 10 }, 5, 'r', 'R'),
  ).toMatchObject({
    timesPerHour: 2,
    steps: [
      { kind: 'command', commandId: 'hide' },
      { kind: 'command', commandId: 'undo' },
    ],
  })
})
