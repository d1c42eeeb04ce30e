import { modifierSets, verdicts, wristBand, type ChordReach } from '@reach-plot/core'
import { rounded } from '../io.js'
import { openPlan, modifiersOf } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** The chord table of the resting hand: every control of the bench with every set of modifiers. */
export const verb = defineVerb({
  name: 'chords',
  summary: 'how the hand reaches every control with every set of modifiers',
  files: 'PLAN.json',
  options: {
    modifiers: text('Control+Shift', 'one set of modifiers, or none'),
  },
  run({ files, options }) {
    const { table, env } = openPlan(files[0]).model
    const held = modifiersOf(options.modifiers)
    const sets = held ? [held] : modifierSets(env.layout.altGraph)
    const reachBySet = sets.map((set) => ({ set, chords: Object.entries(table.withHeld(set)) }))
    const describe = (place: string, reach: ChordReach) => ({
      place,
      verdict: reach.verdict,
      effort: rounded(reach.effort),
      timeMs: rounded(reach.timeMs, 0),
      wrist: wristBand(reach.turnDeg),
      ...(reach.viaHome !== undefined && { viaHome: reach.viaHome }),
      ...(reach.help && {
        otherHand: {
          keys: reach.help.keys,
          timeMs: rounded(reach.help.timeMs, 0),
          backMs: rounded(reach.help.backMs, 0),
        },
      }),
    })
    return {
      value: {
        layers: reachBySet.map(({ set, chords }) => ({
          modifiers: set,
          chords: chords.map(([place, reach]) => describe(place, reach)),
        })),
      },
      text: reachBySet
        .map(
          ({ set, chords }) =>
            `${(set.join('+') || 'bare').padEnd(32)} ${verdicts.map((v) => `${chords.filter(([, r]) => r.verdict === v).length} ${v}`).join(', ')}`,
        )
        .join('\n'),
    }
  },
})
