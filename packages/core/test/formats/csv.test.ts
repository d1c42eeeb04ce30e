import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import {
  modifiers,
  chord,
  readCommandCsv,
  readPlacementCsv,
  parseTrigger,
  readPlan,
  writeCommandCsv,
  writePlacementCsv,
} from '../../src/index.js'
import { command, plan, program } from '../build.js'

const demo = readPlan(readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))
const empty = { programs: [], commands: [] }

test('commands go out and come back the same', () => {
  const read = readCommandCsv(writeCommandCsv(demo), demo)
  expect(read.bad).toEqual([])
  expect(read.rows.every((r) => r.status === 'same')).toBe(true)
  expect(read.commands).toEqual(demo.commands)
})

test('placements go out and come back the same', () => {
  const { placements } = demo.arrangements[1]!
  expect(readPlacementCsv(writePlacementCsv(placements, demo), demo)).toEqual({ placements, bad: [] })
})

test('names with commas, quotes, line breaks and formula signs survive (RFC 4180)', () => {
  const signs = fc.constantFrom(
    '=',
    '+',
    '-',
    '@',
    '＝',
    '＋',
    '－',
    '＠',
    "'",
    '>',
    '›',
    ';',
    '\\',
    '"',
    ',',
    '\t',
    ' ',
    '1',
  )
  const text = fc
    .oneof(
      fc.string({ minLength: 1, maxLength: 20 }),
      fc.array(signs, { minLength: 1, maxLength: 6 }).map((s) => s.join('')),
    )
    .map((s) => s.replace(/[\r\n]/g, ' '))
    .filter((s) => s.trim() !== '')
  const menu = fc.array(
    text.map((s) => s.trim()),
    { maxLength: 3 },
  )
  fc.assert(
    fc.property(fc.array(fc.tuple(text, menu), { minLength: 1, maxLength: 8 }), (rows) => {
      const given = {
        programs: [program()],
        commands: rows.map(([n, m], i) => command(n, { id: `c${i}`, menu: m, note: n })),
      }
      const csv = writeCommandCsv(given)
      const read = readCommandCsv(csv, given)
      expect(read.bad).toEqual([])
      expect(read.commands.map((c) => [c.name, c.menu, c.note])).toEqual(rows.map(([n, m]) => [n, m, n]))
      // read into an empty plan too, where nothing is known by its id
      const fresh = readCommandCsv(csv, empty)
      expect(fresh.commands.map((c) => c.menu)).toEqual(rows.map(([, m]) => m))
      // no cell begins as a formula, in any of the ways of spreadsheets
      for (const cells of Papa.parse<string[]>(csv.trim()).data)
        for (const cell of cells)
          if (!/^-?\d+(\.\d+)?$/.test(cell)) expect(cell).not.toMatch(/^\s*[=+\-@＝＋－＠]/u)
    }),
  )
})

test.each(["'=1", '\t=1', '＝1+1', ' +1', "''-x", 'a > b', 'x\\', 'everywhere'])(
  '%j goes out and comes back as it is',
  (text) => {
    const given = {
      programs: [program({ contexts: [{ id: 'c', name: text.trim(), typing: false, overlaps: [] }] })],
      commands: [command(text, { id: 'c0', menu: [text.trim()], contextIds: ['c'] })],
    }
    const read = readCommandCsv(writeCommandCsv(given), given)
    expect(read.commands).toEqual(given.commands)
  },
)

test.each([',', ';', '\t'])(
  'the heading tells that cells are parted by %j, whatever they hold',
  (separator) => {
    const cells = [
      ['program', 'command', 'note'],
      ['Fenmap', ';;;', '",,,,,"'],
      ['Fenmap', '"\t\t\t"x', ''],
    ].map((row) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(separator))
    const read = readCommandCsv(cells.join('\n'), empty)
    expect(read.bad).toEqual([])
    expect(read.commands.map((c) => c.name)).toEqual([';;;', '"\t\t\t"x'])
  },
)

test('placements keep their limits, chains and waits', () => {
  const given = {
    programs: [program()],
    commands: [command('One'), command('Two'), command('Three')],
  }
  const [context] = given.programs[0]!.contexts
  const list = [
    { commandId: 'one', trigger: chord('F5'), contextIds: [context!.id] },
    {
      commandId: 'one',
      trigger: parseTrigger('pad/k1'),
      sends: [chord('F5'), chord('F6')],
      then: ['two'],
      waitMs: 30,
    },
  ]
  expect(readPlacementCsv(writePlacementCsv(list, given), given)).toEqual({ placements: list, bad: [] })
  // by name, as a person writes it, and what does not exist is named with its column
  const heading = 'command,trigger,sends,contexts,then,waitMs'
  const byName = readPlacementCsv(`${heading}\nOne,pad/k1,F5 F6,,Two;three,30`, given)
  expect(byName.placements[0]!.then).toEqual(['two', 'three'])
  const bad = readPlacementCsv(
    [heading, 'One,F5,,Nowhere,,', 'One,F5,,,Nothing,', 'One,F5,,,,9999'].join('\n'),
    given,
  ).bad
  expect(bad.map((b) => b.column)).toEqual(['contexts', 'then', 'waitMs'])
})

test('placements of any chord survive', () => {
  const anyChord = fc
    .tuple(fc.subarray([...modifiers]), fc.constantFrom('KeyA', 'F1', 'ArrowUp'))
    .map(([m, code]) => chord(code, m))
  fc.assert(
    fc.property(fc.array(anyChord, { maxLength: 6 }), (triggers) => {
      const given = { programs: [program()], commands: triggers.map((_, i) => command(`c${i}`)) }
      const list = triggers.map((trigger, i) => ({ commandId: `c${i}`, trigger }))
      expect(readPlacementCsv(writePlacementCsv(list, given), given).placements).toEqual(list)
    }),
  )
})

describe('faults of a whole file give one error', () => {
  test.each([
    ['', 'CSV_EMPTY', /empty/],
    ['program,comand\nFenmap,Undo\n', 'CSV_COLUMN_UNKNOWN', /"comand".*program, contexts, command/],
    ['program,menu\nFenmap,Edit\n', 'CSV_COLUMN_MISSING', /"command" is missing/],
    ['program,command\nFenmap,"Undo\n', 'CSV_UNREADABLE', /quotation mark/],
  ])('%j', (text, code, words) => {
    expect(() => readCommandCsv(text, empty, 'mine.csv')).toThrow(words)
    expect(() => readCommandCsv(text, empty, 'mine.csv')).toThrow(expect.objectContaining({ code }))
  })
  test('more rows than are read', () => {
    const long = `program,command\n${'F,x\n'.repeat(20_001)}`
    expect(() => readCommandCsv(long, empty)).toThrow(/20001 rows; at most 20000/)
  })
})

describe('faults of a line name the line and the column, and the other lines are read', () => {
  const read = readCommandCsv(
    'program,contexts,command,menu,usesPerHour,opposite\nFenmap,Tracing,Zoom in,View > In,5,Zoom out\n,,Undo,,,\nFenmap,,,,,\nFenmap,,Redo,,lots,\nFenmap,Tracing,Zoom in,View > In,5,\n\nFenmap,Tracing,Zoom out,View > Out,"3,5",Zoom\n',
    empty,
  )
  test('lines', () => {
    expect(read.bad.map((b) => [b.line, b.column])).toEqual([
      [3, 'program'],
      [4, 'command'],
      [5, 'usesPerHour'],
      [6, 'command'],
      [8, 'opposite'],
    ])
    expect(read.bad[3]!.message).toContain('line 2')
  })
  test('the rest', () => {
    expect(read.commands.map((c) => [c.name, c.usesPerHour])).toEqual([
      ['Zoom in', 5],
      ['Zoom out', 3.5],
    ])
    expect(read.commands[0]!.oppositeId).toBe(read.commands[1]!.id)
    expect(read.programs).toMatchObject([{ name: 'Fenmap', contexts: [{ name: 'Tracing', typing: false }] }])
  })
})

test('a line changes the command of the same program, name and menu, and leaves out what the file does not have', () => {
  const given = plan({
    commands: [command('Undo', { menu: ['Edit', 'Undo'], note: 'keep me', usesPerHour: 3 })],
  })
  const read = readCommandCsv('program;command;menu;usesPerHour\nFenmap;undo;Edit > Undo;9\n', given)
  expect(read.rows).toMatchObject([
    { status: 'changed', command: { id: 'undo', usesPerHour: 9, note: 'keep me' } },
  ])
})

test('line numbers count line breaks inside quoted cells', () => {
  const read = readCommandCsv('program,command,note\nFenmap,A,"one\ntwo"\nFenmap,,\n', empty)
  expect(read.bad[0]!.line).toBe(4)
})

test('placements name unknown commands, ambiguous names and unreadable triggers', () => {
  const given = {
    programs: [program()],
    commands: [command('Undo'), command('Cut', { id: 'cut-1' }), command('Cut', { id: 'cut-2' })],
  }
  const read = readPlacementCsv(
    'program,command,trigger\nFenmap,Undo,Control+KeyZ\nFenmap,Nope,KeyN\nFenmap,Cut,KeyX\nFenmap,Undo,Ctrl-Z\n',
    given,
  )
  expect(read.placements).toHaveLength(1)
  expect(read.bad.map((b) => [b.line, b.column])).toEqual([
    [3, 'command'],
    [4, 'command'],
    [5, 'trigger'],
  ])
  expect(read.bad[1]!.message).toContain('cut-1, cut-2')
})
