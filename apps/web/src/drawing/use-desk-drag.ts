import { useRef, useState, type PointerEvent, type RefObject } from 'react'
import { snapMove, type Footprint, type SnapGuide } from '@reach-plot/core'

/** Edges snap within this distance, mm. */
const snapWithinMm = 6

interface Drag {
  readonly id: string
  readonly group: SVGGElement
  readonly startX: number
  readonly startY: number
  readonly print: Footprint
  readonly others: readonly Footprint[]
  dxMm: number
  dyMm: number
}

/**
 * Drags parts of an SVG in mm. The moving group is shifted at once, without a render; only a change of the snap guides
 * renders. `onDrop` tells the whole move.
 */
export function useDeskDrag(
  svg: RefObject<SVGSVGElement | null>,
  onDrop: (id: string, dxMm: number, dyMm: number) => void,
) {
  const drag = useRef<Drag | null>(null)
  const [guides, setGuides] = useState<readonly SnapGuide[]>([])

  const toMm = (event: PointerEvent): { x: number; y: number } => {
    const matrix = svg.current?.getScreenCTM()
    if (!matrix) return { x: 0, y: 0 }
    return { x: (event.clientX - matrix.e) / matrix.a, y: (event.clientY - matrix.f) / matrix.d }
  }
  return {
    guides,
    start(
      event: PointerEvent,
      id: string,
      group: SVGGElement,
      print: Footprint,
      others: readonly Footprint[],
    ): void {
      const { x, y } = toMm(event)
      drag.current = { id, group, startX: x, startY: y, print, others, dxMm: 0, dyMm: 0 }
      group.setPointerCapture(event.pointerId)
    },
    move(event: PointerEvent): void {
      const d = drag.current
      if (!d) return
      const { x, y } = toMm(event)
      let dxMm = x - d.startX
      let dyMm = y - d.startY
      let next: readonly SnapGuide[] = []
      if (!event.altKey) {
        const { print } = d
        const moved = {
          ...print,
          x0: print.x0 + dxMm,
          x1: print.x1 + dxMm,
          y0: print.y0 + dyMm,
          y1: print.y1 + dyMm,
        }
        const snapped = snapMove(moved, d.others, snapWithinMm)
        dxMm += snapped.dxMm
        dyMm += snapped.dyMm
        next = snapped.guides
      }
      d.dxMm = dxMm
      d.dyMm = dyMm
      d.group.setAttribute('transform', `translate(${dxMm} ${dyMm})`)
      if (JSON.stringify(next) !== JSON.stringify(guides)) setGuides(next)
    },
    end(): void {
      const d = drag.current
      drag.current = null
      if (!d) return
      d.group.removeAttribute('transform')
      setGuides([])
      // less than a millimetre is a click
      if (Math.hypot(d.dxMm, d.dyMm) >= 1) onDrop(d.id, d.dxMm, d.dyMm)
    },
  }
}
