import { describe, expect, test } from 'vitest'
import { parseTrigger } from '../../src/index.js'
import { makeLabels, printedText } from '../../src/labels/index.js'
import { listed } from '../../src/labels/index.js'
import { command } from '../build.js'
import { font } from '../../../print/test/tools.js'
import { design, onBench, source } from './source.js'

const pad = onBench(
  ['k15', 'k16'].map((id, i) => ({
    ...{ id, code: null, name: id.slice(1), type: 'key' as const },
    ...{ xMm: 10 + 19 * i, yMm: 10, widthMm: 18, heightMm: 18, row: null },
  })) as never,
  'pad',
)

describe('what a label says of how its key is worked', () => {
  const commands = [command('Snap'), command('Free')]
  const labels = makeLabels(
    source({}, design(), {
      commands,
      controls: pad,
      legends: new Map([
        ['pad/k15', 'Pad 15'],
        ['pad/k16', 'Pad 16'],
      ]),
      placements: [
        { commandId: 'snap', trigger: { ...parseTrigger('pad/k15'), withId: 'k16' } as never },
        { commandId: 'free', trigger: parseTrigger('pad/k16 hold') },
      ],
    }),
    font,
  ).labels
  test('a held pair names the key that is held with it, on both keys', () => {
    const said = (id: string): string[] =>
      labels
        .find((l) => l.controlId === id)!
        .entries.map(
          (e, at) =>
            printedText(
              labels.find((l) => l.controlId === id)!,
              at,
            ) || e.text,
        )
    expect(said('pad/k15')).toEqual(['with Pad 16: Snap'])
    expect(said('pad/k16')).toContain('with Pad 15: Snap')
  })
  test('a hold says so beside the pair', () => {
    const text = labels
      .find((l) => l.controlId === 'pad/k16')!
      .lines.map((l) => l.text)
      .join(' ')
    expect(text).toMatch(/held: Free/)
  })
})

describe('a key with more commands than it has room for', () => {
  const names = [
    'Measure distance',
    'Hide shape',
    'Align edges',
    'Group shapes',
    'Level view',
    'Stitch sheets',
  ]
  const commands = names.map((name, i) => command(name, { usesPerHour: 10 - i }))
  const held = ['', 'Shift+', 'Control+', 'Alt+', 'Control+Shift+', 'Control+Alt+']
  const given = Object.fromEntries(commands.map((c, i) => [c.id, `${held[i]}KeyM`]))
  test('shows those that are used most, and how many more there are; the rest is named', () => {
    const { labels, unreadable } = makeLabels(
      source(given, design({ readingDistanceMm: 500 }), { commands }),
      font,
    )
    expect(unreadable).toEqual([])
    const [label] = labels
    expect(label!.entries.length).toBeLessThan(names.length)
    expect(label!.entries.map((e) => e.text)).toEqual(names.slice(0, label!.entries.length))
    const more = names.length - label!.entries.length
    expect(label!.lines.map((l) => l.text).join(' ')).toMatch(new RegExp(`and ${more} more|\\+${more}`))
    for (const name of names.slice(label!.entries.length)) expect(label!.leftOut).toContain(name)
  })
})

describe('icons without words', () => {
  test('that two keys share get words, those of one key alone do not', () => {
    const commands = [
      command('Zoom in', { icon: 'zoom-in' }),
      command('Zoom nearer', { icon: 'zoom-in' }),
      command('Undo', { icon: 'undo' }),
    ]
    const given = { 'zoom-in': 'KeyH', 'zoom-nearer': 'KeyM', undo: 'KeyZ' }
    const { labels } = makeLabels(
      source(given, design({ content: 'icon', showLegend: false }), { commands }),
      font,
    )
    const words = (name: string) => labels.find((l) => l.entries[0]!.text === name)!.lines.length
    expect(words('Zoom in')).toBeGreaterThan(0)
    expect(words('Zoom nearer')).toBeGreaterThan(0)
    expect(words('Undo')).toBe(0)
    expect(labels.find((l) => l.entries[0]!.text === 'Zoom in')!.leftOut).toMatch(/same icon/)
  })
})

test('a list is of everything, or of the commands of one program', () => {
  const placements = [{ commandId: 'a' }, { commandId: 'b' }]
  const commands = [command('A', { id: 'a' })]
  expect(listed(placements, commands, { programId: null })).toEqual(placements)
  expect(listed(placements, commands, { programId: 'p' })).toEqual([{ commandId: 'a' }])
})
