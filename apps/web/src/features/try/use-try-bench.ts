import { useEffect, useMemo, useRef } from 'react'
import { type ProgramId } from '@reach-plot/core'
import { useDerived, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { keyFaces } from '../../drawing/chart-faces.js'
import { useKeyWalk } from '../../drawing/use-key-walk.js'
import { useOutlines } from '../../drawing/use-outlines.js'
import { useChartZoom, type Extent } from '../../drawing/use-chart-zoom.js'

const edgeMm = 12

const noop = (): void => undefined

/** What is shown and can be done there. */
export function useTryBench({
  front,
  onControl,
}: {
  front: { readonly programId: ProgramId; readonly contextId: string }
  onControl: (controlRef: string) => void
}) {
  const derived = useDerived()
  const { env, bench } = derived
  const pageOf = usePageOf()
  const held = useHeld()
  const controlRef = useView((s) => s.controlRef)
  const svg = useRef<SVGSVGElement>(null)
  const group = useRef<SVGGElement>(null)
  const walk = useKeyWalk(svg, env.controls, derived.rests.index, onControl)
  const { tabId } = walk
  const { fit, reveal } = useChartZoom(svg, group, noop)
  const outlines = useOutlines(bench)
  const extent = useMemo(
    (): Extent => ({
      x0: Math.min(...outlines.map((o) => o.print.x0)) - edgeMm,
      x1: Math.max(...outlines.map((o) => o.print.x1)) + edgeMm,
      y0: Math.min(...outlines.map((o) => o.print.y0)) - edgeMm,
      y1: Math.max(...outlines.map((o) => o.print.y1)) + edgeMm,
    }),
    [outlines],
  )
  useEffect(() => fit(extent), [extent, fit])
  const faces = useMemo(
    () =>
      keyFaces({
        derived,
        front,
        held,
        byControl: undefined,
        places: null,
        pageOf,
        chosenRef: controlRef,
        tabId,
      }),
    [derived, front.programId, front.contextId, held, pageOf, controlRef, tabId], // eslint-disable-line react-hooks/exhaustive-deps
  )
  return { svg, bench, group, walk, reveal, outlines, pageOf, faces }
}
