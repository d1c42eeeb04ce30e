import type { Control } from '../bench/index.js'
import { reachSolver, type HandAtRest } from '../hand/index.js'
import { isModifierCode, type Modifier } from '../triggers/index.js'
import type { AskedChord } from './asking.js'

/** A chord that is this hard for the average hand is hard for everybody: nobody is asked about it. Assumed. */
const mostEffort = 3.4
/** A chord that is no effort for the average hand is easy for everybody. Assumed. */
const leastEffort = 0.3

const heldSets: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Control'], ['Alt'], ['Control', 'Shift']]

/** A hand without what is its person's own: what is asked is about the person, not about the last fit. */
export function averageHand(hand: HandAtRest): HandAtRest {
  const { reach: _reach, limits: _limits, ...average } = hand
  return average
}

/**
 * The chords that a hand can be asked about: keys of its home device, alone and with modifiers on the side that is nearer, as far as
 * people may differ on them.
 */
export function chordsToAsk(hand: HandAtRest, controls: readonly Control[], altGraph: boolean): AskedChord[] {
  const solver = reachSolver(averageHand(hand), controls)
  const device = hand.rests.index.slice(0, hand.rests.index.indexOf('/') + 1)
  const own = controls.filter((c) => c.id.startsWith(device))
  const seen = new Set<string>()
  return heldSets.flatMap((held) =>
    own.flatMap((control): AskedChord[] => {
      if (control.code !== null && isModifierCode(control.code)) return []
      const reach = solver.reachChord(held, control.code ?? control.id, altGraph)
      if (!reach || reach.effort < leastEffort || reach.effort > mostEffort) return []
      const name = reach.keys.join(' ')
      if (seen.has(name)) return []
      seen.add(name)
      return [reach.keys]
    }),
  )
}
