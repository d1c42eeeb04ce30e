import { useEffect, useMemo } from 'react'
import {
  reachContextOf,
  reachSituation,
  triggerReach,
  type ChordReach,
  type FieldArea,
  type Finger,
  type Modifier,
  type Plan,
  type ReachAt,
  type ReachByControl,
  type Trigger,
} from '@reach-plot/core'
import { create } from 'zustand'
import { useShallow } from 'zustand/react/shallow'
import { toast } from './message.js'
import { showProblem } from './problem.js'
import { WorkerEnded } from '../worker/host.js'
import { reachService } from '../worker/reach-client.js'
import type { KeyedSituation, ReachChart } from '../worker/reach-protocol.js'
import type { HeldSet } from './held-set.js'
import { usePlan } from './plan-store.js'
import { useDerived, type Derived } from './selectors.js'

/** Modifier sets that the worker has answered, for the situation named by `key`; a new situation empties them. */
interface ReachState {
  readonly key: string
  readonly reachBySet: Readonly<Record<string, ReachByControl>>
  /** by finger, or `best` */
  readonly charts: Readonly<Record<string, ReachChart>>
}

const useReachStore = create<ReachState>()(() => ({ key: '', reachBySet: {}, charts: {} }))
const asked = new Set<string>()

export const heldKey = (held: readonly Modifier[]): string => held.join('+')

const heldSetKey = (held: readonly Modifier[], withId?: string): string =>
  withId === undefined ? heldKey(held) : `${heldKey(held)}|${withId}`

/** Only what reach depends on goes into the key, so that naming or placing a command computes nothing anew. */
const situationOf = (derived: Derived, plan: Plan): KeyedSituation => {
  const situation = reachSituation(derived.bench, plan.devices, derived.env.layout.altGraph)
  return { ...situation, key: JSON.stringify(situation) }
}

function enter(key: string): void {
  if (useReachStore.getState().key === key) return
  asked.clear()
  if (gathered) gathered = {}
  useReachStore.setState({ key, reachBySet: {}, charts: {} })
}

/** Answers come in quick succession: the first is shown at once, those within this time after it together. */
const gatherMs = 150
let gathered: Record<string, ReachByControl> | null = null

function takeAnswer(key: string, name: string, byControl: ReachByControl): void {
  if (useReachStore.getState().key !== key) return
  const show = (more: Record<string, ReachByControl>): void =>
    useReachStore.setState((s) => ({ reachBySet: { ...s.reachBySet, ...more } }))
  if (gathered) {
    gathered[name] = byControl
    return
  }
  show({ [name]: byControl })
  gathered = {}
  setTimeout(() => {
    const more = gathered ?? {}
    gathered = null
    if (Object.keys(more).length > 0) show(more)
  }, gatherMs)
}

async function askHeldSet(
  situation: KeyedSituation,
  held: readonly Modifier[],
  withId?: string,
): Promise<void> {
  const name = heldSetKey(held, withId)
  if (asked.has(name)) return
  asked.add(name)
  try {
    const byControl = await askAgain(() => reachService().withHeld(situation, held, withId))
    takeAnswer(situation.key, name, byControl)
  } catch (error) {
    asked.delete(name)
    showProblem(error)
  }
}

/** How often reach is asked for again when the worker ends, and the wait before it, ms. Assumed. */
const restarts = { most: 3, waitMs: 200 } as const

/** Asks once more where the worker has ended in the middle, and says so. */
async function askAgain<T>(ask: () => Promise<T>): Promise<T> {
  for (let n = 1; ; n++) {
    try {
      return await ask()
    } catch (error) {
      if (!(error instanceof WorkerEnded) || n > restarts.most) throw error
      toast('The computation of reach ended by itself. It is started again.', { id: 'reach-again' })
      await new Promise((resolve) => setTimeout(resolve, n * restarts.waitMs))
    }
  }
}

function useSituation(): KeyedSituation {
  const plan = usePlan()
  const derived = useDerived()
  // the controls are made anew with each state of the plan; the key tells whether they differ
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const fresh = useMemo(() => situationOf(derived, plan), [derived.bench, plan.devices, plan.layoutId])
  // eslint-disable-next-line react-hooks/exhaustive-deps
  return useMemo(() => fresh, [fresh.key])
}

/** For what is read from further modifier sets alone. */
export const noHeld: readonly (readonly Modifier[])[] = []

export type ReachOf = (trigger: Trigger) => ChordReach | undefined

/** Reach of the modifier sets wanted, as they come in; asks the worker for those that are missing, in the order given. */
export function useReachOfSets(
  wanted: readonly (readonly Modifier[])[],
  further: readonly HeldSet[] = [],
): {
  readonly reachBySet: Readonly<Record<string, ReachByControl>>
  readonly reachAt: ReachAt
  readonly reachOf: ReachOf
} {
  const situation = useSituation()
  const { index } = useDerived()
  const names = [
    ...new Set([
      ...wanted.map((held) => heldSetKey(held)),
      ...further.map((l) => heldSetKey(l.held, l.withId)),
    ]),
  ].join(' ')
  // only the modifier sets wanted: a chart of one modifier set is not drawn anew when another comes in
  const known = useReachStore(
    useShallow((s) =>
      s.key === situation.key ? names.split(' ').map((name) => s.reachBySet[name]) : noneKnown,
    ),
  )
  useEffect(() => {
    enter(situation.key)
    for (const held of wanted) void askHeldSet(situation, held)
    for (const { held, withId } of further) void askHeldSet(situation, held, withId)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [situation, names])
  const reachBySet = useMemo(() => {
    const found: Record<string, ReachByControl> = {}
    names.split(' ').forEach((name, i) => {
      const byControl = known[i]
      if (byControl) found[name] = byControl
    })
    return found
  }, [names, known])
  const reachAt = useMemo(
    (): ReachAt => (held, place, withId) => reachBySet[heldSetKey(held, withId)]?.[place],
    [reachBySet],
  )
  const reachOf = useMemo((): ReachOf => {
    const context = reachContextOf(index, reachAt)
    return (trigger) => triggerReach(trigger, context)
  }, [reachAt, index])
  return { reachBySet, reachAt, reachOf }
}

const noneKnown: readonly undefined[] = []

export const contourTimesMs = [150, 200, 250, 300, 350, 400, 450, 500]

/**
 * Contours of the reach chart over an area of the desk, or null while they are computed.
 * @param finger one finger, or the best of them for null
 */
export function useReachChart(
  area: FieldArea,
  efforts: readonly number[],
  finger: Finger | null,
): ReachChart | null {
  const situation = useSituation()
  const name = finger ?? 'best'
  const chart = useReachStore((s) => (s.key === situation.key ? s.charts[name] : undefined))
  useEffect(() => {
    enter(situation.key)
    if (asked.has(`chart ${name}`)) return
    asked.add(`chart ${name}`)
    void askAgain(() =>
      reachService().chart(situation, { area, timesMs: contourTimesMs, efforts, finger }),
    ).then((answer) => {
      // answers for a situation that is no longer the latest are dropped
      if (useReachStore.getState().key === situation.key)
        useReachStore.setState((s) => ({ charts: { ...s.charts, [name]: answer } }))
    }, showProblem)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [situation, name])
  return chart ?? null
}
