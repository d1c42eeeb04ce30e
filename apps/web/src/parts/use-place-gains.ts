import { proxy } from 'comlink'
import { useEffect } from 'react'
import { create } from 'zustand'
import type { Plan, Trigger } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'
import { solveService } from '../worker/solve-client.js'

/** Gains that are worked out for a plan, by command id, ms an hour. */
interface Gains {
  /** the plan that they are for */
  readonly plan: Plan | null
  readonly msPerHour: Readonly<Record<string, number>>
  /** the places that would gain it, by command id */
  readonly bests: Readonly<Record<string, Trigger | null>>
  /** all of them are there */
  readonly isWhole: boolean
}

const useGains = create<Gains>()(() => ({ plan: null, msPerHour: {}, bests: {}, isWhole: false }))

/** The plan has to stand for so long before its gains are worked out anew, ms. */
const waitMs = 250

/**
 * What a better place would gain for each command. While the gains of a changed plan are worked out, the order of the ones
 * before stays, so that nothing moves under the hand; figures are those of the plan in front alone.
 */
export function usePlaceGains(isWanted = true): {
  readonly order: Readonly<Record<string, number>>
  readonly gainOf: (id: string) => number | null
  /** the place that would gain it; null for none, undefined while it is not known */
  readonly bestOf: (id: string) => Trigger | null | undefined
  readonly isWhole: boolean
} {
  const plan = usePlan()
  const gains = useGains()
  const isOwn = gains.plan === plan
  useEffect(() => {
    if (!isWanted || (useGains.getState().plan === plan && useGains.getState().isWhole)) return
    let isCurrent = true
    const wait = setTimeout(
      () => {
        const found: Record<string, number> = {}
        const bests: Record<string, Trigger | null> = {}
        // where the worker has ended, the list is in the order of use
        solveService()
          .gains(
            plan,
            proxy((some) => {
              if (!isCurrent) return
              for (const { commandId, msPerHour, best } of some) {
                found[commandId] = msPerHour
                bests[commandId] = best
              }
              // a first list is not made to wait for the whole
              if (useGains.getState().plan === null || useGains.getState().plan === plan)
                useGains.setState({ plan, msPerHour: { ...found }, bests: { ...bests }, isWhole: false })
            }),
          )
          .then(() => isCurrent && useGains.setState({ plan, msPerHour: found, bests, isWhole: true }))
          .catch(() => undefined)
      },
      useGains.getState().plan === null ? 0 : waitMs,
    )
    return () => {
      isCurrent = false
      clearTimeout(wait)
    }
  }, [plan, isWanted])
  return {
    order: gains.msPerHour,
    gainOf: (id) => (isOwn ? (gains.msPerHour[id] ?? null) : null),
    bestOf: (id) => (isOwn ? gains.bests[id] : undefined),
    isWhole: isOwn && gains.isWhole,
  }
}
