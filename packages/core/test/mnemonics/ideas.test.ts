import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  canBeLiveTogether,
  letterConflicts,
  nameLikeness,
  neighboursOf,
  noMemory,
  sharedIdeas,
  boardControls,
  type Command,
} from '../../src/index.js'
import { command, program, index } from '../build.js'

const there = (name: string, change: Partial<Command> = {}) =>
  command(name, { id: `there-${name}`, programId: 'reedcall', ...change })

describe('the same idea in two programs', () => {
  test('is found by names in any form, not by one common word', () => {
    const commands = [command('Show grid'), there('Showing grids'), there('Show map'), command('Show depths')]
    const ideas = sharedIdeas(commands, noMemory)
    expect(ideas.map((i) => i.commands.map((c) => c.name))).toEqual([['Show grid', 'Showing grids']])
    expect(ideas[0]!.by).toBe('names')
  })
  test('what the person says joins and parts', () => {
    const commands = [command('Save chart'), there('Keep session'), there('Save charts')]
    const [chart, session, charts] = commands as [Command, Command, Command]
    expect(
      sharedIdeas(commands, { ...noMemory, sameIdeas: [[chart.id, session.id]] }).map((i) => [
        i.by,
        i.commands.map((c) => c.name).sort(),
      ]),
    ).toEqual([['person', ['Keep session', 'Save chart']]])
    expect(sharedIdeas(commands, { ...noMemory, otherIdeas: [[charts.id, chart.id]] })).toEqual([])
  })
  test('two commands of one program are never one idea by their names', () => {
    expect(sharedIdeas([command('Pan'), command('Pan', { id: 'pan-2' })], noMemory)).toEqual([])
    const ideas = sharedIdeas([command('Pan'), command('Pan', { id: 'pan-2' }), there('Pan')], noMemory)
    for (const idea of ideas)
      expect(new Set(idea.commands.map((c) => c.programId)).size).toBe(idea.commands.length)
  })
  test('likeness is symmetric, 1 for the same words and 0 for none', () => {
    const name = fc.constantFrom('Zoom in', 'Hide shapes', 'Shape hide', 'Next tag', 'Mark done', 'Tag')
    fc.assert(
      fc.property(name, name, (a, b) => {
        expect(nameLikeness(a, b)).toBe(nameLikeness(b, a))
        expect(nameLikeness(a, a)).toBe(1)
      }),
    )
    expect(nameLikeness('Hide shapes', 'Shape hiding')).toBe(1)
    expect(nameLikeness('Hide', 'Measure')).toBe(0)
  })
})

describe('letters that several commands want', () => {
  const commands = [
    command('Hide shape', { usesPerHour: 84 }),
    command('Halve edge', { usesPerHour: 20 }),
    command('Hold tide', { usesPerHour: 5, contextIds: ['labelling'] }),
    command('Measure', { usesPerHour: 50 }),
  ]
  const given = index(commands)
  const owner = program()
  const conflicts = letterConflicts(commands, given.mnemonics, (a, b) => canBeLiveTogether(a, b, owner))
  test('go to the most used one, and the others are offered another letter of their name', () => {
    expect(conflicts.map((c) => c.letter)).toEqual(['h'])
    expect(conflicts[0]!.claimants.map((c) => c.name)).toEqual(['Hide shape', 'Halve edge', 'Hold tide'])
    expect(conflicts[0]!.next.has('hide-shape')).toBe(false)
    expect(conflicts[0]!.next.get('halve-edge')!.to).toBe('e')
    expect(conflicts[0]!.next.get('hold-tide')!.to).toBe('t')
  })
  test('commands that are never live together may share a letter', () => {
    const apart = [
      command('Hide shape', { contextIds: ['tracing'] }),
      command('Hold tide', { contextIds: ['labelling'] }),
    ]
    const alone = index(apart)
    expect(letterConflicts(apart, alone.mnemonics, (a, b) => canBeLiveTogether(a, b, owner))).toEqual([])
  })
})

describe('neighbours', () => {
  const controls = boardControls('ansi-104', 'windows')
  test('run both ways and follow the rows of a turned device', () => {
    const flat = neighboursOf(controls)
    expect(flat.get('KeyF')).toMatchObject({ left: 'KeyD', right: 'KeyG' })
    const angle = (20 * Math.PI) / 180
    const turned = neighboursOf(
      controls.map((c) => ({
        ...c,
        xMm: c.xMm * Math.cos(angle) - c.yMm * Math.sin(angle),
        yMm: c.xMm * Math.sin(angle) + c.yMm * Math.cos(angle),
        turnDeg: 20,
      })),
    )
    for (const [place, beside] of flat) expect(turned.get(place), place).toEqual(beside)
    for (const [place, { right }] of flat) if (right) expect(flat.get(right)!.left).toBe(place)
  })
  test('a key across a gap between blocks is no neighbour', () => {
    expect(neighboursOf(controls).get('Enter')!.right).toBeUndefined()
  })
})
