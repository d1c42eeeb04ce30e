import { describe, expect, test } from 'vitest'
import { dayHours, emptyPlan, setPlanSettings } from '../../src/index.js'
import { demoPlan } from './desk.js'

const usage = { ...demoPlan.usage!, activeHours: 30, days: 20 }

describe('active hours a day', () => {
  test('are those of the log over its days: the example’s season has 1.48', () => {
    expect(dayHours(demoPlan).source).toBe('log')
    expect(dayHours(demoPlan).hours).toBeCloseTo(1.48, 2)
    expect(dayHours({ ...emptyPlan(), usage })).toEqual({ hours: 1.5, source: 'log' })
  })
  test('without a log they are 2, assumed, never a silent 8', () => {
    expect(dayHours(emptyPlan())).toEqual({ hours: 2, source: 'assumed' })
    expect(dayHours({ ...emptyPlan(), hoursPerDay: 8 })).toEqual({ hours: 2, source: 'assumed' })
    const { days: _none, ...older } = usage
    expect(dayHours({ ...emptyPlan(), usage: older }).source).toBe('assumed')
  })
  test('what the person says counts before the log', () => {
    const said = setPlanSettings({ ...emptyPlan(), usage }, { hoursPerDay: 8 })
    expect(dayHours(said)).toEqual({ hours: 8, source: 'said' })
    // a plan of before says it by hours that no default had
    expect(dayHours({ ...emptyPlan(), hoursPerDay: 6 })).toEqual({ hours: 6, source: 'said' })
  })
})
