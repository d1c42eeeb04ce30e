import { modifierSets, verdicts, wristBand, type ChordReach } from '@reach-plot/core'
import { deskOf, modifiersOf } from '../desk.js'
import { loadPlan, rounded, type Outcome } from '../io.js'
import { readOptions } from '../options.js'

export const help = 'chords PLAN.json [--modifiers Control+Shift]'

/** The chord table of the resting hand: every control of the bench with every set of modifiers. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['modifiers'])
  const plan = loadPlan(files[0])
  const { table, around } = deskOf(plan)
  const held = modifiersOf(options['modifiers'])
  const sets = held ? [held] : modifierSets(around.layout.altGraph)
  const layers = sets.map((set) => ({ set, chords: Object.entries(table.layer(set)) }))
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
      layers: layers.map(({ set, chords }) => ({
        modifiers: set,
        chords: chords.map(([place, reach]) => describe(place, reach)),
      })),
    },
    text: layers
      .map(
        ({ set, chords }) =>
          `${(set.join('+') || 'bare').padEnd(32)} ${verdicts.map((v) => `${chords.filter(([, r]) => r.verdict === v).length} ${v}`).join(', ')}`,
      )
      .join('\n'),
  }
}
