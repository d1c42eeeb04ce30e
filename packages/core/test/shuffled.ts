import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { placeCommand, readPlan, type Arrangement, type Plan } from '../src/index.js'

/** The plan that ships, and the arrangement in front of it. */
export const demo = readPlan(
  readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)
export const draft = demo.arrangements.find((a) => a.id === demo.activeArrangementId) as Arrangement

/** The draft with commands moved to places of others and to free ones. */
export const shuffled = (mostMoves: number): fc.Arbitrary<Arrangement> =>
  fc
    .array(fc.tuple(fc.nat(draft.placements.length - 1), fc.nat(draft.placements.length - 1)), {
      minLength: 2,
      maxLength: mostMoves,
    })
    .map((moves) => {
      let plan: Plan = demo
      for (const [a, b] of moves) {
        const [one, other] = [draft.placements[a]!, draft.placements[b]!]
        const isPopup = one.trigger.kind === 'popup' || other.trigger.kind === 'popup'
        if (one.commandId === other.commandId || isPopup) continue
        plan = placeCommand(plan, {
          commandId: one.commandId,
          trigger: other.trigger,
          displaced: [other.commandId],
          ...(a % 2 === 0 && { swapTo: one.trigger }),
        })
      }
      return plan.arrangements.find((p) => p.id === draft.id)!
    })
