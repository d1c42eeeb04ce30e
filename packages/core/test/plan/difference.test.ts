import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import {
  addNamedCommand,
  addProgram,
  changeInWords,
  chord,
  chooseArrangement,
  copyArrangement,
  deleteCommand,
  deleteRoutine,
  editCommand,
  placeCommand,
  prepare,
  readPlan,
  removePlacement,
  setPlanSettings,
  setSpan,
  type Plan,
} from '@reach-plot/core'
import { catalogues } from '../work/desk.js'

const demo = readPlan(readFileSync(`${import.meta.dirname}/../../../../demo/demo.reachplot.json`, 'utf8'))
const naming = prepare(demo, catalogues).env
const idOf = (name: string): string => demo.commands.find((c) => c.name === name)!.id
const hide = idOf('Hide shape')
const said = (change: (plan: Plan) => Plan): string => changeInWords(demo, change(demo), naming)

describe('what changed, in words', () => {
  test.each([
    [
      'a command placed',
      (p: Plan) => placeCommand(p, { commandId: hide, trigger: chord('KeyH') }),
      '“Hide shape” on H',
    ],
    ['taken off', (p: Plan) => removePlacement(p, idOf('Add vertex'), chord('KeyD')), '“Add vertex” off D'],
    ['its uses', (p: Plan) => editCommand(p, hide, { usesPerHour: 7 }), '“Hide shape”: uses an hour'],
    ['deleted, with what named it', (p: Plan) => deleteCommand(p, hide), '“Hide shape” deleted'],
    [
      'an arrangement copied',
      (p: Plan) => copyArrangement(p, p.activeArrangementId).plan,
      /^arrangement “.*” added$/,
    ],
    ['another in use', (p: Plan) => chooseArrangement(p, 'defaults'), '“Program defaults” in use'],
    ['a program', (p: Plan) => addProgram(p, 'Mapper').plan, 'program “Mapper” added'],
    ['a routine', (p: Plan) => deleteRoutine(p, p.routines[0]!.id), /^routine “.*” deleted$/],
    ['a hand', (p: Plan) => setSpan(p, 180), /^bench “.*”$/],
    ['hours', (p: Plan) => setPlanSettings(p, { hoursPerDay: 3 }), 'hours of work'],
    ['nothing', (p: Plan) => p, 'nothing'],
  ])('%s', (_name, change, words) => {
    if (typeof words === 'string') expect(said(change)).toBe(words)
    else expect(said(change)).toMatch(words)
  })
  test('many at once are counted', () => {
    const ids = demo.commands.slice(0, 12).map((c) => c.id)
    expect(said((p) => ids.reduce((q, id) => editCommand(q, id, { usesPerHour: 99 }), p))).toBe(
      '12 commands changed',
    )
    expect(said((p) => ids.reduce((q, id) => removePlacement(q, id), p))).toMatch(/removed$/)
    expect(said((p) => addNamedCommand(p, { program: 'Fenmap', context: '', name: 'Flip' }))).toBe(
      '“Flip” added',
    )
  })
})
