import { describe, expect, test } from 'vitest'
import {
  assumedLearner,
  changesBetween,
  chord,
  compareArrangements,
  comparisonSheet,
  figureHeads,
  figureList,
  learningOf,
  prepare,
  sheetRows,
} from '../../src/index.js'
import { command } from '../build.js'
import { catalogues, demoModel, demoPlan } from '../work/desk.js'

const [a, b, c] = ['a', 'b', 'c'].map((id) => command(id, { id }))
const at = (commandId: string, code: string) => ({ commandId, trigger: chord(code) })

describe('changes', () => {
  const kindsOf = (before: readonly ReturnType<typeof at>[], after: readonly ReturnType<typeof at>[]) =>
    Object.fromEntries(changesBetween(before, after, [a!, b!, c!]).map((x) => [x.command.id, x.kind]))
  test('are added, moved, removed; what stays is left out', () => {
    expect(kindsOf([at('a', 'KeyA'), at('b', 'KeyB')], [at('a', 'KeyQ'), at('c', 'KeyC')])).toEqual({
      a: 'moved',
      b: 'removed',
      c: 'added',
    })
    expect(kindsOf([at('a', 'KeyA')], [at('a', 'KeyA')])).toEqual({})
  })
  test('two that take each other’s place are swapped', () => {
    expect(
      kindsOf(
        [at('a', 'KeyA'), at('b', 'KeyB'), at('c', 'KeyC')],
        [at('a', 'KeyB'), at('b', 'KeyA'), at('c', 'KeyD')],
      ),
    ).toEqual({ a: 'swapped', b: 'swapped', c: 'moved' })
  })
  test('cost learning, less where the place recalls the name, nothing where a place is lost', () => {
    const changes = changesBetween([at('a', 'KeyA'), at('b', 'KeyB')], [at('a', 'KeyQ')], [a!, b!, c!])
    const often = () => 1000
    const [hard, ...others] = learningOf(changes, () => 0, often, assumedLearner)
    expect(others).toEqual([])
    expect(hard!.ms).toBe(20 * 1350)
    expect(learningOf(changes, () => 1, often, assumedLearner)[0]!.ms).toBe(hard!.ms / 2)
    // what is hardly used is hardly looked for within the days
    expect(
      learningOf(
        changes,
        () => 0,
        () => 3,
        assumedLearner,
      )[0]!.ms,
    ).toBe(3 * 1350)
  })
})

describe('the demo’s defaults beside its draft', () => {
  const compared = compareArrangements(demoPlan.arrangements.map((a) => demoModel.withArrangement(a)))
  const columns = comparisonSheet(compared, demoPlan)
  test('an arrangement against itself changes nothing', () => {
    const [one, again] = compareArrangements([demoModel, demoModel])
    expect(again!.changes).toEqual([])
    expect(again!.learningMs).toBe(0)
    for (const figure of figureList.filter((f) => f.id !== 'saved'))
      expect(figure.value(again!, demoPlan)).toBe(figure.value(one!, demoPlan))
    expect(one!.saved).toBeNull()
    expect(again!.saved!.minutes).toBeCloseTo(0, 9)
  })
  test('a saving lies in its range over how well menus are known', () => {
    const [, draft] = compareArrangements([
      demoModel.withArrangement(demoPlan.arrangements.find((a) => a.isDefault)!),
      demoModel,
    ])
    const { minutes, leastMinutes, mostMinutes, fromUnkeyedMinutes } = draft!.saved!
    expect(leastMinutes).toBeLessThanOrEqual(minutes)
    expect(mostMinutes).toBeGreaterThanOrEqual(minutes)
    expect(mostMinutes).toBeGreaterThan(leastMinutes)
    expect(fromUnkeyedMinutes).toBeGreaterThan(0)
  })
  test('every figure has a computation with its rule, source and parts', () => {
    for (const column of columns)
      for (const { id } of figureHeads) {
        const { explanation } = column.figures[id]!
        expect(explanation.rule, id).not.toBe('')
        expect(explanation.source, id).not.toBe('')
      }
  })
  test('the rows of every opened figure add up to it', () => {
    const isProduct = (id: string) => id.startsWith('strain') || id.startsWith('fingers')
    for (const column of columns)
      for (const { id } of figureHeads.filter((h) => !isProduct(h.id))) {
        const { value, explanation } = column.figures[id]!
        const sum = explanation.lines.reduce((x, l) => x + parseFloat(l.value), 0)
        // each row is rounded to what it shows
        expect(Math.abs(sum - (value ?? 0)), `${column.name} ${id}`).toBeLessThan(0.16)
      }
  })
  test('the command time is the same by what is done', () => {
    for (const column of columns) {
      const { value, explanation } = column.figures['time']!
      const sum = explanation.besides!.lines.reduce((x, l) => x + parseFloat(l.value), 0)
      expect(sum).toBeCloseTo(value!, 1)
    }
  })
  test('an empty arrangement on which nothing is done has no strain', () => {
    const idle = {
      ...demoPlan,
      routines: [],
      commands: demoPlan.commands.map((c) => ({ ...c, usesPerHour: 0 })),
    }
    const [none] = compareArrangements([prepare(idle, catalogues)])
    expect(none!.report.day.strain.left).toEqual({ index: 0, meaning: 'no work', factors: [] })
    expect(none!.report.day.strain.right.index).toBe(0)
  })
  test('the multipliers of the Strain Index multiply to the figure', () => {
    for (const side of ['left', 'right'] as const) {
      const { value, explanation } = columns[1]!.figures[`strain-${side}`]!
      const product = explanation.lines.reduce((p, l) => p * Number(l.value.replace('× ', '')), 1)
      expect(product).toBeCloseTo(value!, 9)
    }
    expect(columns[0]!.figures['strain-left']!.explanation.source).toContain('not a diagnosis')
  })
  test('gains of the changes are what the commands take less', () => {
    const gained = columns[1]!.changes.find((x) => x.commandId === 'fenmap-rotate-label')!
    expect(gained.kind).toBe('added')
    expect(gained.gainMs).toBeGreaterThan(0)
  })
  test('goes out as rows with a column for each arrangement', () => {
    const rows = sheetRows(columns, demoPlan)
    expect(rows[0]).toEqual(['figure', 'unit', 'Program defaults', 'Field season, draft 1'])
    expect(rows.every((r) => r.length === 4)).toBe(true)
    expect(rows.map((r) => r[0])).toContain('Trace and check')
  })
})
