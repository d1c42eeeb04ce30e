/** A clash counts where it happens: the share of uses in contexts where both commands are live. */
import { describe, expect, test } from 'vitest'
import { boardControls, indexPlaces, placesWith, reachWithHeld, triggerKey } from '../../src/index.js'
import { meetingShares, usesByContext } from '../../src/places/index.js'
import { command, envWith, placements, program, solver } from '../build.js'

const everywhere = command('Zoom in', { usesPerHour: 60 })
const tracing = command('Split', { usesPerHour: 60, contextIds: ['tracing'] })
const labelling = command('Fit text', { usesPerHour: 60, contextIds: ['labelling'] })
const log = new Map([['zoom-in', { tracing: 90, labelling: 10, overview: 0 }]])

describe('shares of use', () => {
  test('without a log each context counts alike, with one by what was counted', () => {
    expect([...usesByContext(everywhere, program(), {}).values()]).toEqual([1 / 3, 1 / 3, 1 / 3])
    expect(usesByContext(everywhere, program(), { contextUses: log }).get('labelling')).toBeCloseTo(0.1)
  })
  test('two commands meet where both are live, contexts that overlap included; others never do', () => {
    const meets = meetingShares([program()], { contextUses: log })
    // tracing and what is live beside it, the overview
    expect(meets(everywhere, tracing)).toBeCloseTo(0.9)
    expect(meets(tracing, everywhere)).toBe(1)
    expect(meets(everywhere, labelling)).toBeCloseTo(0.1)
    expect(meets(tracing, labelling)).toBeNull()
    expect(meets(tracing, { ...everywhere, programId: 'other' })).toBeNull()
  })
})

test('a key whose holder is met seldom is cheaper to take than one whose holder is met always', () => {
  const controls = boardControls('iso-105', 'windows')
  const reach = reachWithHeld(solver('iso-105'), controls, [], true)
  const env = envWith([everywhere, tracing, labelling], { contextUses: log })
  const index = indexPlaces(placements({ split: 'KeyE', 'fit-text': 'KeyR' }), env)
  const places = placesWith(everywhere, [], reach, index)
  const displacing = (key: string): number =>
    places.find((p) => triggerKey(p.trigger) === key)?.amounts.displaced ?? 0
  expect(displacing('KeyE')).toBeCloseTo(0.5 * 0.9 + 1)
  expect(displacing('KeyR')).toBeCloseTo(0.5 * 0.1 + 1)
  expect(displacing('KeyD')).toBe(0)
})
