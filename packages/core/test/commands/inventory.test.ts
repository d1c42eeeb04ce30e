import { describe, expect, test } from 'vitest'
import {
  canBeLiveTogether,
  commandSchema,
  contextsOverlap,
  fullName,
  namesakesOf,
  readCommandCsv,
  readPlacementCsv,
  searchCommands,
  writeCommandCsv,
  writePlacementCsv,
  type Command,
} from '../../src/index.js'
import { command, program } from '../build.js'

const pens = ['fine', 'broad'].map((parameter) =>
  command('Pen', { id: `pen-${parameter}`, parameter, menu: ['Draw', 'Pen'] }),
)
const hide = command('Hide', { contextIds: ['tracing'] })
const all: Command[] = [
  ...pens,
  command('Pen', { id: 'pen-other', programId: 'reedcall' }),
  hide,
  command('Hide', { id: 'hide-label', contextIds: ['labelling'], menu: ['Label', 'Hide'] }),
]

describe('namesakes', () => {
  test('are the commands of one program that share a name', () => {
    expect(namesakesOf(pens[0]!, all).map((c) => c.id)).toEqual(['pen-broad'])
    expect(namesakesOf(hide, all).map((c) => c.id)).toEqual(['hide-label'])
  })
  test('stand side by side in a search, and a parameter finds its own', () => {
    expect(searchCommands(all, 'hide').map((c) => c.id)).toEqual(['hide', 'hide-label'])
    expect(searchCommands(all, 'pen broad').map((c) => c.id)).toEqual(['pen-broad'])
    expect(searchCommands(all, 'label').map((c) => c.id)).toEqual(['hide-label'])
  })
  test('are written with what sets them apart', () => {
    expect(pens.map(fullName)).toEqual(['Pen, fine', 'Pen, broad'])
    expect(fullName(hide)).toBe('Hide')
  })
  test('are found anew when a command has changed', () => {
    const changed = { ...hide, name: 'Conceal' }
    expect(searchCommands([changed], 'conceal')).toEqual([changed])
    expect(searchCommands([changed], 'hide')).toEqual([])
  })
})

describe('a search that finds nothing as it is written', () => {
  const list = [
    command('Measure', { usesPerHour: 2 }),
    command('Measuring tape', { usesPerHour: 9 }),
    command('Grid', { usesPerHour: 5 }),
    command('Gird', { id: 'gird', usesPerHour: 5, menu: ['Grid'] }),
  ]
  const names = (query: string) => searchCommands(list, query).map((c) => c.name)
  test.each([
    ['a letter wrong', 'meazure'],
    ['a letter missing', 'masure'],
    ['a letter too many', 'meassure'],
    ['two swapped', 'maesure'],
  ])('forgives %s', (_name, query) => expect(names(query)).toContain('Measure'))
  test('forgives no more than one, and no word of three letters', () => {
    expect(names('meazyre')).toEqual([])
    expect(names('gid')).toEqual([])
  })
  test('of equal use, goes by name whatever the order given', () => {
    const equal = ['Beta', 'Alpha', 'Gamma'].map((n) => command(`${n} mark`, { usesPerHour: 3 }))
    const sorted = ['Alpha mark', 'Beta mark', 'Gamma mark']
    for (const given of [equal, equal.toReversed()])
      expect(searchCommands(given, 'mark').map((c) => c.name)).toEqual(sorted)
  })
  test('a word of four letters is forgiven, one of three is not', () => {
    const four = [command('Mask'), command('Tap')]
    expect(searchCommands(four, 'maks').map((c) => c.name)).toEqual(['Mask'])
    expect(searchCommands(four, 'tab')).toEqual([])
  })
  test('lists the most used first, then by name', () => {
    expect(names('meas')).toEqual(['Measuring tape', 'Measure'])
    expect(names('meazur')).toEqual(['Measuring tape', 'Measure'])
  })
})

test('a context that is there everywhere is live with all others, whichever says so', () => {
  const panel = program({
    contexts: [
      ...program().contexts,
      { id: 'panel', name: 'Panel', typing: false, overlaps: [], everywhere: true },
    ],
  })
  expect(contextsOverlap(panel, 'panel', 'labelling')).toBe(true)
  expect(contextsOverlap(panel, 'labelling', 'panel')).toBe(true)
  expect(contextsOverlap(panel, 'tracing', 'labelling')).toBe(false)
  const inPanel = command('Pin', { contextIds: ['panel'] })
  expect(canBeLiveTogether(inPanel, hide, panel)).toBe(true)
})

test.each([
  ['a kind that there is not', { kind: 'twice' }],
  ['damage without a level', { damage: { wayOut: 'Undo' } }],
  ['an icon with spaces', { icon: 'map pin' }],
  ['a field that there is not', { colour: 'red' }],
])('%s is refused', (_name, change) => {
  expect(commandSchema.safeParse({ ...hide, ...change }).success).toBe(false)
})

describe('the CSV of commands', () => {
  const rich = command('Delete', {
    kind: 'once',
    damage: { level: 'loss', wayOut: 'Ask, “kindly”; then wait' },
    icon: 'trash-2',
    siblingIds: ['hide', 'pen-fine'],
    parameter: 'all',
    note: 'Careful, it "bites"',
  })
  const given = {
    programs: [program(), program({ id: 'reedcall', name: 'Reedcall' })],
    commands: [...all, rich],
  }
  test('carries kind, damage, siblings, parameter, icon and note', () => {
    const read = readCommandCsv(writeCommandCsv(given), { programs: given.programs, commands: [] })
    expect(read.bad).toEqual([])
    expect(read.commands).toEqual(given.commands)
  })
  test('tells commands of one name apart by their parameter', () => {
    const text =
      'program,command,menu,parameter,usesPerHour\nFenmap,Pen,Draw > Pen,broad,7\nFenmap,Pen,Draw > Pen,dotted,1\n'
    const read = readCommandCsv(text, given)
    expect(read.rows.map((r) => [r.status, r.command.id])).toEqual([
      ['changed', 'pen-broad'],
      ['new', expect.stringMatching(/^fenmap-pen/)],
    ])
  })
  test('names faults of the new columns by their line', () => {
    const read = readCommandCsv('program,command,kind,siblings\nFenmap,A,never,\nFenmap,B,,Nobody\n', given)
    expect(read.bad.map((b) => [b.line, b.column])).toEqual([
      [2, 'kind'],
      [3, 'siblings'],
    ])
  })
})

describe('the CSV of placements', () => {
  const given = { programs: [program()], commands: [hide] }
  test('carries triggers of every kind and what they send', () => {
    const text = [
      'command,trigger,sends',
      'Hide,KeyH hold,',
      'Hide,pad/k1+pad/k2,Control+KeyH',
      'Hide,deck@tracing/b3,F10 KeyS KeyH',
      'Hide,mouse/field stroke 3/8,',
      'Hide,popup/shapes 2,',
    ].join('\n')
    const { placements, bad } = readPlacementCsv(text, given)
    expect(bad).toEqual([])
    expect(placements.map((p) => p.sends?.length ?? 0)).toEqual([0, 1, 3, 0, 0])
    expect(readPlacementCsv(writePlacementCsv(placements, given), given).placements).toEqual(placements)
  })
  test('a relay sends plain combinations only', () => {
    const { bad, placements } = readPlacementCsv(
      'command,trigger,sends\nHide,pad/k1,pad/k2\nHide,pad/k2,nonsense\n',
      given,
    )
    expect(placements).toEqual([])
    expect(bad.map((b) => b.line)).toEqual([2, 3])
    expect(bad[0]!.column).toBe('sends')
    expect(bad[0]!.message).toContain('cannot be read as a shortcut')
  })
})
