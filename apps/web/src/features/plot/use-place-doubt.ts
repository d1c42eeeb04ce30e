import { useEffect, useState } from 'react'
import { triggerKey, type CandidatePlace, type CommandId, type Trigger } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { solveService } from '../../worker/solve-client.js'

/** Places whose doubt is told: the first of the ranking. */
const looked = 20
/** The ranking has to stand for so long before its doubt is worked out, ms. */
const waitMs = 500

/**
 * How often each of the first places comes first when all that is assumed is drawn anew, by trigger key; null while that
 * is worked out. Known answers stay until the ranking changes.
 */
export function usePlaceDoubt(
  commandId: CommandId,
  ranked: readonly CandidatePlace[],
): Readonly<Record<string, number>> | null {
  const plan = usePlan()
  const first = ranked.slice(0, looked).map((p): Trigger => p.trigger)
  const name = `${commandId} ${first.map(triggerKey).join(' ')}`
  const [known, setKnown] = useState<{
    readonly name: string
    readonly plan: unknown
    readonly doubt: Readonly<Record<string, number>>
  } | null>(null)
  const isKnown = known?.name === name && known.plan === plan
  useEffect(() => {
    if (isKnown || first.length === 0) return
    let isWanted = true
    const wait = setTimeout(() => {
      // where the worker has ended, the places simply have no doubt beside them
      solveService()
        .placeDoubt(plan, commandId, first)
        .then((doubt) => isWanted && setKnown({ name, plan, doubt }))
        .catch(() => undefined)
    }, waitMs)
    return () => {
      isWanted = false
      clearTimeout(wait)
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `name` says all of `first`
  }, [name, plan, isKnown, commandId])
  return isKnown ? known.doubt : null
}
