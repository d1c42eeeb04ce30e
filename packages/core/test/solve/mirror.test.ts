import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import {
  benchCandidates,
  boardControls,
  chordTable,
  defaultPlaceWeights,
  homeKeys,
  mirrorBench,
  mirrorControls,
  placesWith,
  placesOn,
  rankPlaces,
  reachIn,
  reachWithHeld,
  reachSituation,
  reachSolver,
  readPlan,
  environmentOf,
  indexPlaces,
  triggerKey,
  type Bench,
  type Command,
  type Plan,
} from '../../src/index.js'
import { layouts, systems } from '@reach-plot/data'
import { envWith, at, command } from '../build.js'

const names = fc.constantFrom('Hide shape', 'Measure', 'Zoom in', 'Qanat', 'Next')

test('the ranking of places is the same for a mirrored hand over a mirrored board', () => {
  const controls = boardControls('ansi-104', 'windows')
  const mirrored = mirrorControls(controls)
  const rank = (side: 'left' | 'right', board: typeof controls, name: string): string[] => {
    // the right hand rests on the reflections of A S D F
    const byControl = reachWithHeld(
      reachSolver({ side, spanMm: 190, rests: homeKeys.left }, board),
      board,
      [],
      false,
    )
    const subject = command(name)
    // the tapping capacity of the two hands differs, so that weight is left out
    const weights = { ...defaultPlaceWeights, fingerMs: 0 }
    return rankPlaces(placesWith(subject, [], byControl, indexPlaces([], envWith([subject])), weights)).map(
      (p) => triggerKey(p.trigger),
    )
  }
  fc.assert(
    fc.property(names, (name) => {
      // what costs the same to the last bit may change places; the first ten differ by more
      expect(rank('right', mirrored, name).slice(0, 10)).toEqual(rank('left', controls, name).slice(0, 10))
    }),
    { numRuns: 5 },
  )
})

describe('a bench of pads and decks', () => {
  const demo = readPlan(
    readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  )
  const initialSlot: Bench = {
    id: 'pads',
    name: 'Pads',
    devices: [at('pad', 0, 0), at('deck', 30, -110), { ...at('tablet', 140, 20), turnDeg: 8 }],
    hands: [
      {
        side: 'left',
        spanMm: 190,
        deviceId: 'pad',
        rests: { little: 'k6', ring: 'k7', middle: 'k8', index: 'k9' },
      },
    ],
  }
  const places = (bench: Bench, name: string) => {
    const subject: Command = command(name, { contextIds: ['tracing'] })
    const plan: Plan = { ...demo, benches: [bench], activeBenchId: bench.id, commands: [subject] }
    const env = environmentOf(plan, { layouts, systems }, { popups: [] })
    const index = indexPlaces([], env)
    const table = chordTable(reachSituation(bench, plan.devices, true))
    return rankPlaces(
      placesOn(
        subject,
        benchCandidates(index, [[]], () => 'fenmap'),
        reachIn(table),
        index,
        {
          ...defaultPlaceWeights,
          fingerMs: 0,
        },
      ),
    )
  }
  test('costs the same for the other hand once it is mirrored, on every control and pair of controls', () => {
    fc.assert(
      fc.property(names, (name) => {
        const left = places(initialSlot, name)
        const right = new Map(places(mirrorBench(initialSlot, demo.devices), name).map((p) => [p.key, p]))
        expect(left.length).toBeGreaterThan(400)
        expect(right.size).toBe(left.length)
        for (const place of left) {
          const twin = right.get(place.key)!
          // the mirrored bench is rounded to thousandths of a mm; links by direction do not mirror: the left key of a pair stays the left one
          expect(twin.totalMs - twin.cost.recallMs, place.key).toBeCloseTo(
            place.totalMs - place.cost.recallMs,
            1,
          )
          expect(twin.reach.verdict).toBe(place.reach.verdict)
        }
      }),
      { numRuns: 3 },
    )
  })
  test('mirrored twice it ranks as it did', () => {
    const twice = mirrorBench(mirrorBench(initialSlot, demo.devices), demo.devices)
    expect(places(twice, 'Measure').map((p) => [p.key, Math.round(p.totalMs * 1000)])).toEqual(
      places(initialSlot, 'Measure').map((p) => [p.key, Math.round(p.totalMs * 1000)]),
    )
  })
})
