import { useEffect, useMemo } from 'react'
import {
  priceContext,
  reachSituation,
  triggerReach,
  type ChordReach,
  type FieldArea,
  type Finger,
  type Modifier,
  type Plan,
  type ReachAt,
  type ReachByPlace,
  type Trigger,
} from '@reach-plot/core'
import { create } from 'zustand'
import { useShallow } from 'zustand/react/shallow'
import { showProblem } from '../shared/problem.js'
import { reachService } from '../worker/reach-client.js'
import type { KeyedSituation, ReachChart } from '../worker/reach-protocol.js'
import type { Layer } from './layer.js'
import { usePlan } from './plan-store.js'
import { useDerived, type Derived } from './selectors.js'

/** Layers that the worker has answered, for the situation named by `key`; a new situation empties them. */
interface ReachState {
  readonly key: string
  readonly layers: Readonly<Record<string, ReachByPlace>>
  /** by finger, or `best` */
  readonly charts: Readonly<Record<string, ReachChart>>
}

const useReachStore = create<ReachState>()(() => ({ key: '', layers: {}, charts: {} }))
const asked = new Set<string>()

export const heldKey = (held: readonly Modifier[]): string => held.join('+')

const layerKey = (held: readonly Modifier[], withId?: string): string =>
  withId === undefined ? heldKey(held) : `${heldKey(held)}|${withId}`

/** Only what reach depends on goes into the key, so that naming or placing a command computes nothing anew. */
const situationOf = (derived: Derived, plan: Plan): KeyedSituation => {
  const situation = reachSituation(derived.bench, plan.devices, derived.around.layout.altGraph)
  return { ...situation, key: JSON.stringify(situation) }
}

function enter(key: string): void {
  if (useReachStore.getState().key === key) return
  asked.clear()
  if (gathered) gathered = {}
  useReachStore.setState({ key, layers: {}, charts: {} })
}

/** Answers come in quick succession: the first is shown at once, those within this time after it together. */
const gatherMs = 150
let gathered: Record<string, ReachByPlace> | null = null

function takeLayer(key: string, name: string, layer: ReachByPlace): void {
  if (useReachStore.getState().key !== key) return
  const show = (more: Record<string, ReachByPlace>): void =>
    useReachStore.setState((s) => ({ layers: { ...s.layers, ...more } }))
  if (gathered) {
    gathered[name] = layer
    return
  }
  show({ [name]: layer })
  gathered = {}
  setTimeout(() => {
    const more = gathered ?? {}
    gathered = null
    if (Object.keys(more).length > 0) show(more)
  }, gatherMs)
}

async function askLayer(
  situation: KeyedSituation,
  held: readonly Modifier[],
  withId?: string,
): Promise<void> {
  const name = layerKey(held, withId)
  if (asked.has(name)) return
  asked.add(name)
  try {
    const layer = await reachService().layer(situation, held, withId)
    takeLayer(situation.key, name, layer)
  } catch (error) {
    asked.delete(name)
    showProblem(error)
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

/** For what is read from further layers alone. */
export const noHeld: readonly (readonly Modifier[])[] = []

export type ReachOf = (trigger: Trigger) => ChordReach | undefined

/** Reach of the layers wanted, as they come in; asks the worker for those that are missing, in the order given. */
export function useReachLayers(
  wanted: readonly (readonly Modifier[])[],
  further: readonly Layer[] = [],
): {
  readonly layers: Readonly<Record<string, ReachByPlace>>
  readonly reachAt: ReachAt
  readonly reachOf: ReachOf
} {
  const situation = useSituation()
  const { survey } = useDerived()
  const names = [
    ...new Set([...wanted.map((held) => layerKey(held)), ...further.map((l) => layerKey(l.held, l.withId))]),
  ].join(' ')
  // only the layers wanted: a chart of one layer is not drawn anew when another comes in
  const known = useReachStore(
    useShallow((s) => (s.key === situation.key ? names.split(' ').map((name) => s.layers[name]) : noneKnown)),
  )
  useEffect(() => {
    enter(situation.key)
    for (const held of wanted) void askLayer(situation, held)
    for (const { held, withId } of further) void askLayer(situation, held, withId)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [situation, names])
  const layers = useMemo(() => {
    const found: Record<string, ReachByPlace> = {}
    names.split(' ').forEach((name, i) => {
      const layer = known[i]
      if (layer) found[name] = layer
    })
    return found
  }, [names, known])
  const reachAt = useMemo(
    (): ReachAt => (held, place, withId) => layers[layerKey(held, withId)]?.[place],
    [layers],
  )
  const reachOf = useMemo((): ReachOf => {
    const context = priceContext(survey, reachAt)
    return (trigger) => triggerReach(trigger, context)
  }, [reachAt, survey])
  return { layers, reachAt, reachOf }
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
    void reachService()
      .chart(situation, { area, timesMs: contourTimesMs, efforts, finger })
      .then((answer) => {
        // answers for a situation that is no longer the latest are dropped
        if (useReachStore.getState().key === situation.key)
          useReachStore.setState((s) => ({ charts: { ...s.charts, [name]: answer } }))
      }, showProblem)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [situation, name])
  return chart ?? null
}
