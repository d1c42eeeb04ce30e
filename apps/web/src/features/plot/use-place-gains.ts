import { proxy } from 'comlink'
import { useEffect } from 'react'
import { create } from 'zustand'
import type { Plan } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { solveService } from '../../worker/solve-client.js'

/** Gains that are worked out for a plan, by command id, ms an hour. */
interface Gains {
  /** the plan that they are for */
  readonly plan: Plan | null
  readonly msPerHour: Readonly<Record<string, number>>
  /** all of them are there */
  readonly isWhole: boolean
}

const useGains = create<Gains>()(() => ({ plan: null, msPerHour: {}, isWhole: false }))

/** The plan has to stand for so long before its gains are worked out anew, ms. */
const waitMs = 250

/**
 * What a better place would gain for each command. While the gains of a changed plan are worked out, the order of the ones
 * before stays, so that nothing moves under the hand; figures are those of the plan in front alone.
 */
export function usePlaceGains(): {
  readonly order: Readonly<Record<string, number>>
  readonly gainOf: (id: string) => number | null
  readonly isWhole: boolean
} {
  const plan = usePlan()
  const gains = useGains()
  const isOwn = gains.plan === plan
  useEffect(() => {
    if (useGains.getState().plan === plan && useGains.getState().isWhole) return
    let isWanted = true
    const wait = setTimeout(
      () => {
        const found: Record<string, number> = {}
        // where the worker has ended, the list is in the order of use
        solveService()
          .gains(
            plan,
            proxy((some) => {
              if (!isWanted) return
              for (const { commandId, msPerHour } of some) found[commandId] = msPerHour
              // a first list is not made to wait for the whole
              if (useGains.getState().plan === null || useGains.getState().plan === plan)
                useGains.setState({ plan, msPerHour: { ...found }, isWhole: false })
            }),
          )
          .then(() => isWanted && useGains.setState({ plan, msPerHour: found, isWhole: true }))
          .catch(() => undefined)
      },
      useGains.getState().plan === null ? 0 : waitMs,
    )
    return () => {
      isWanted = false
      clearTimeout(wait)
    }
  }, [plan])
  return {
    order: gains.msPerHour,
    gainOf: (id) => (isOwn ? (gains.msPerHour[id] ?? null) : null),
    isWhole: isOwn && gains.isWhole,
  }
}
