import { describe, expect, test } from 'vitest'
import {
  changesBetween,
  chord,
  compareArrangements,
  comparisonSheet,
  figureHeads,
  figureList,
  learningMs,
  sheetRows,
} from '../../src/index.js'
import { command } from '../build.js'
import { demoModel, demoPlan } from '../work/desk.js'

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
    const hard = learningMs(changes, () => 0)
    expect(hard).toBe(20 * 1350)
    expect(learningMs(changes, () => 1)).toBe(hard / 2)
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
  test('the parts of the command time add up to the figure', () => {
    for (const column of columns) {
      const { value, explanation } = column.figures['time']!
      const numbers = explanation.lines.map((l) => Number(l.value.replace(' min', '')))
      // the first six lines are the operators, the others routines and commands: each set is the whole
      expect(numbers.slice(0, 6).reduce((x, y) => x + y, 0)).toBeCloseTo(value!, 0)
      expect(numbers.slice(6).reduce((x, y) => x + y, 0)).toBeCloseTo(value!, 0)
    }
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
