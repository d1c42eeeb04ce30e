import { useEffect, useMemo, useRef, useState, type FocusEvent, type Ref } from 'react'
import { useImperativeHandle } from 'react'
import {
  footprint,
  handOnBench,
  verdictLimits,
  type BenchControl,
  type FieldArea,
  type RestingHand,
  restIds,
} from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachChart, useReachOfSets } from '../../store/reach.js'
import { useDerived, useFront, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { keyFaces, refOfControl } from '../../drawing/chart-faces.js'
import { keyUnder, useKeyWalk } from '../../drawing/use-key-walk.js'
import { useChartZoom, type Extent } from '../../drawing/use-chart-zoom.js'
import type { Places } from '../../drawing/places.js'

export interface ChartHandle {
  fitReach(): void
  fitDesk(): void
  focusKey(): void
}

const efforts = [verdictLimits.easy, verdictLimits.stretch]

const edgeMm = 8

/** The reach is charted this far from the resting fingertips: a movement of half a second. */
const chartedMm = 300

const bare = [[]] as const

const boxAround = (boxes: readonly Extent[]): Extent => ({
  x0: Math.min(...boxes.map((b) => b.x0)) - edgeMm,
  x1: Math.max(...boxes.map((b) => b.x1)) + edgeMm,
  y0: Math.min(...boxes.map((b) => b.y0)) - edgeMm,
  y1: Math.max(...boxes.map((b) => b.y1)) + edgeMm,
})

const capOf = (c: BenchControl): Extent => ({
  x0: c.xMm - c.widthMm / 2,
  x1: c.xMm + c.widthMm / 2,
  y0: c.yMm - c.heightMm / 2,
  y1: c.yMm + c.heightMm / 2,
})

/** The square around the resting fingertips whose reach is charted. */
function chartedArea(hand: RestingHand, controls: readonly BenchControl[]): FieldArea {
  const tips = restIds(handOnBench(hand).rests).flatMap((id) => controls.find((c) => c.id === id) ?? [])
  const mean = (pick: (c: BenchControl) => number): number =>
    tips.reduce((s, c) => s + pick(c), 0) / tips.length
  const [x, y] = [mean((c) => c.xMm), mean((c) => c.yMm)]
  return {
    x0Mm: x - chartedMm,
    x1Mm: x + chartedMm,
    y0Mm: y - chartedMm,
    y1Mm: y + chartedMm,
    cellMm: 4,
  }
}

/** The ground under the keys: outlines of the devices, the reach as contours, and the extents that can be shown. */
function useGround() {
  const plan = usePlan()
  const { env, hand, bench } = useDerived()
  const finger = useView((s) => s.finger)
  const { reachBySet } = useReachOfSets(bare)
  const bareReach = reachBySet['']
  const outlines = useMemo(
    () =>
      bench.devices.flatMap((placed) => {
        const device = plan.devices.find((d) => d.id === placed.deviceId)
        return device ? [{ placed, device, print: footprint(placed, device) }] : []
      }),
    [bench.devices, plan.devices],
  )
  const prints = useMemo(() => outlines.map((o) => o.print), [outlines])
  const caps = useMemo(() => env.controls.map(capOf), [env.controls])
  const desk = useMemo(() => boxAround(prints), [prints])
  const reach = useMemo(() => {
    const near = env.controls.filter((c) => {
      const at = bareReach?.[refOfControl(c)]
      return at !== undefined && at.verdict !== 'away' && at.keys.includes(c.id)
    })
    return near.length > 0 ? boxAround(near.map(capOf)) : desk
  }, [env.controls, bareReach, desk])
  const area = useMemo(() => chartedArea(hand, env.controls), [hand, env.controls])
  const chart = useReachChart(area, efforts, finger)
  return { outlines, prints, caps, desk, reach, chart, isCharted: bareReach !== undefined }
}

/** The first view, and the view of another bench or hand, is what the hand can reach. */
function useFirstView(
  { reach, isCharted }: ReturnType<typeof useGround>,
  fit: (extent: Extent, isReadable?: boolean) => void,
): void {
  const fitted = useRef<Extent | null>(null)
  useEffect(() => {
    if (!isCharted || fitted.current === reach) return
    if (fitted.current === null || JSON.stringify(fitted.current) !== JSON.stringify(reach)) fit(reach, true)
    fitted.current = reach
  }, [isCharted, reach, fit])
}

/** What the chart shows: the ground, a face for each key, and how the view is moved. */
export function useChart({
  places,
  free,
  onKey,
  ref,
}: {
  places: Places | null
  /** controls that are free within the verdict that is looked for, or null */
  free: ReadonlySet<string> | null
  onKey: (controlRef: string) => void
  ref: Ref<ChartHandle>
}) {
  const derived = useDerived()
  const front = useFront()
  const held = useHeld()
  const controlRef = useView((s) => s.controlRef)
  const set = useView((s) => s.set)
  const { reachBySet } = useReachOfSets([held])
  const { env, hand, bench } = derived
  const pageOf = usePageOf()
  const svg = useRef<SVGSVGElement>(null)
  const group = useRef<SVGGElement>(null)
  const [pxPerMm, setPxPerMm] = useState(3)
  const walk = useKeyWalk(svg, env.controls, derived.rests.index, onKey)
  const { tabId } = walk
  const { fit, scaleBy, reveal } = useChartZoom(svg, group, setPxPerMm)
  const { isCharted, ...ground } = useGround()
  useFirstView({ isCharted, ...ground }, fit)

  const fitReach = (): void => fit(ground.reach, true)
  useImperativeHandle(ref, () => ({ fitReach, fitDesk: () => fit(ground.desk), focusKey: walk.focusTab }))

  const faces = useMemo(
    () =>
      keyFaces({
        derived,
        front,
        held,
        byControl: reachBySet[heldKey(held)],
        places,
        pageOf,
        chosenRef: controlRef,
        free,
        tabId,
      }),
    [derived, front.programId, front.contextId, held, reachBySet, places, pageOf, controlRef, tabId, free], // eslint-disable-line react-hooks/exhaustive-deps
  )

  const setHovered = (at: string | null): void => {
    if (useView.getState().hovered !== at) set({ hovered: at })
  }
  const onFocus = (event: FocusEvent<SVGGElement>): void => {
    setHovered(keyUnder(event.target)?.['code'] ?? null)
    // a pointer needs no help to see what it presses
    if (event.target.matches(':focus-visible')) reveal(event.target)
  }
  const barMm = pxPerMm > 2 ? 25 : 100
  return {
    svg,
    bench,
    group,
    walk,
    setHovered,
    onFocus,
    ...ground,
    env,
    pageOf,
    hand,
    faces,
    barMm,
    pxPerMm,
    scaleBy,
    fitReach,
    fit,
  }
}

export type ChartView = ReturnType<typeof useChart>
