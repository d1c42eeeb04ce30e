import { describe, expect, test } from 'vitest'
import {
  benchCandidates,
  drawsOf,
  pageFor,
  placeDoubt,
  placesOn,
  rankPlaces,
  triggerReach,
  chord,
} from '../../src/index.js'
import { countedSpread } from '../../src/usage/rate-spread.js'
import { drawnHandCosts } from '../../src/doubt/index.js'
import { handCostMs } from '../../src/places/index.js'
import { demoModel, demoPlan } from '../work/desk.js'

const { index, reachAt, env, situation, reachContext } = demoModel
const hide = demoPlan.commands.find((c) => c.name === 'Hide shape')!
const candidates = benchCandidates(index, [[], ['Shift']], (id) => pageFor(id, 'fenmap', env))
const ranked = rankPlaces(placesOn(hide, candidates, reachAt, index, demoPlan.weights)).slice(0, 20)

describe('draws', () => {
  test('are log-normal with a spread of a fifth, and the same for the same seed', () => {
    const logs = drawsOf(4000, 7).map((d) => Math.log(d.press))
    const mean = logs.reduce((a, b) => a + b) / logs.length
    const sigma = Math.sqrt(logs.reduce((s, x) => s + (x - mean) ** 2, 0) / logs.length)
    expect(Math.abs(mean)).toBeLessThan(0.02)
    expect(Math.abs(sigma - 0.2)).toBeLessThan(0.01)
    expect(drawsOf(3, 7).map((d) => d.travel)).toEqual(drawsOf(3, 7).map((d) => d.travel))
    expect(drawsOf(3, 8)[0]!.travel).not.toBe(drawsOf(3, 7)[0]!.travel)
  })
  test('move each constant by itself', () => {
    const draws = drawsOf(2000, 3)
    const [a, b] = [draws.map((d) => Math.log(d.press)), draws.map((d) => Math.log(d.movement))]
    const correlation = a.reduce((s, x, i) => s + x * b[i]!, 0) / (draws.length * 0.04)
    expect(Math.abs(correlation)).toBeLessThan(0.08)
  })
  test('without a spread the costs are the usual ones', () => {
    const [usual] = drawnHandCosts(demoModel, drawsOf(1, 1, 0))
    for (const place of ranked) {
      const own = handCostMs(place.reach, situation.hand.side, demoPlan.weights, place.amounts.pointing)
      expect(usual!(place.trigger), place.key).toBeCloseTo(own, 6)
    }
    const far = chord('NumpadEnter')
    const reach = triggerReach(far, reachContext)!
    expect(usual!(far)).toBeCloseTo(handCostMs(reach, situation.hand.side, demoPlan.weights, 0), 6)
  })
})

describe('the doubt of places', () => {
  test('shares of the draws add up to one; without a spread the first is always first', () => {
    const doubt = placeDoubt(ranked, demoModel)
    expect([...doubt.values()].reduce((a, b) => a + b)).toBeCloseTo(1, 9)
    const sure = placeDoubt(ranked, demoModel, drawsOf(8, 1, 0))
    expect(sure.get(ranked[0]!.key)).toBe(1)
  })
  test('leaves the first one among the best', () => {
    expect(placeDoubt(ranked, demoModel).get(ranked[0]!.key)).toBeGreaterThan(0.1)
  })
})

test('a rate that was counted is surer the more it was counted, and a guess the least', () => {
  // the counting error of n is √n (Poisson)
  expect(countedSpread(100)).toBeCloseTo(0.1)
  expect(countedSpread(25)).toBeCloseTo(0.2)
  expect(countedSpread(0)).toBe(0.5)
  expect(countedSpread(1)).toBe(0.5)
  expect(countedSpread(1_000_000)).toBe(0.05)
})
