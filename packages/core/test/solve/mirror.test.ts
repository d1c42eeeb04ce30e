import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  boardControls,
  homeKeys,
  mirrorControls,
  placesInLayer,
  rankPlaces,
  reachLayer,
  reachSolver,
  surveyPlaces,
  triggerKey,
} from '../../src/index.js'
import { around, command } from '../build.js'

test('the ranking of places is the same for a mirrored hand over a mirrored board', () => {
  const controls = boardControls('ansi-104', 'windows')
  const mirrored = mirrorControls(controls)
  const rank = (side: 'left' | 'right', board: typeof controls, name: string): string[] => {
    // the right hand rests on the reflections of A S D F
    const layer = reachLayer(
      reachSolver({ side, spanMm: 190, rests: homeKeys.left }, board),
      board,
      [],
      false,
    )
    const subject = command(name)
    return rankPlaces(placesInLayer(subject, [], layer, surveyPlaces([], around([subject])))).map((p) =>
      triggerKey(p.trigger),
    )
  }
  fc.assert(
    fc.property(fc.constantFrom('Hide shape', 'Measure', 'Zoom in', 'Qanat', 'Next'), (name) => {
      // what costs the same to the last bit may change places; the first ten differ by more
      expect(rank('right', mirrored, name).slice(0, 10)).toEqual(rank('left', controls, name).slice(0, 10))
    }),
    { numRuns: 5 },
  )
})
