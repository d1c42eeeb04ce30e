import { select, zoom, zoomIdentity, zoomTransform, type ZoomBehavior } from 'd3'
import { useCallback, useEffect, useRef, type RefObject } from 'react'
import { captionMm, leastCaptionPx } from './caption.js'

export interface Extent {
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
}

/** A key that is moved into view keeps this far from the edge. */
const revealEdgePx = 12
/** Below this many px a mm, text on keys cannot be read and is hidden. */
const leastForTextPxPerMm = 2.1
/** Legends are never drawn smaller than this. */
const leastLegendPx = 9.5
/** The shapes of modifiers are told apart from this size on. */
const leastSignPx = 12

/**
 * Pan and zoom of the chart. The transform is written to the group at once, without a render, so that dragging holds
 * the frame rate; `onScale` tells the scale when a gesture has changed it.
 */
export function useChartZoom(
  svg: RefObject<SVGSVGElement | null>,
  group: RefObject<SVGGElement | null>,
  onScale: (pxPerMm: number) => void,
) {
  const behavior = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null)
  const latest = useRef(onScale)
  useEffect(() => {
    latest.current = onScale
  })
  useEffect(() => {
    const node = svg.current
    if (!node) return
    const z = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.8, 9])
      .clickDistance(4)
      .on('zoom', ({ transform }) => {
        group.current?.setAttribute('transform', transform.toString())
        if (group.current) {
          group.current.dataset['text'] = transform.k >= leastForTextPxPerMm ? 'shown' : 'hidden'
          // legends and contour captions keep a readable size when the chart is small
          group.current.style.setProperty('--least-text', `${leastLegendPx / transform.k}px`)
          group.current.style.setProperty('--least-sign', String(leastSignPx / transform.k))
        }
        latest.current(transform.k)
      })
    behavior.current = z
    // double click is left to the keys
    select(node).call(z).on('dblclick.zoom', null)
    return () => void select(node).on('.zoom', null)
  }, [svg, group])

  /** Shows an extent of the desk as large as it fits, but its text no smaller than can be read where that is wanted. */
  const fit = useCallback(
    (extent: Extent, isReadable = false) => {
      const node = svg.current
      if (!node || !behavior.current) return
      const { clientWidth: width, clientHeight: height } = node
      const whole = Math.min(width / (extent.x1 - extent.x0), height / (extent.y1 - extent.y0))
      const k = isReadable ? Math.max(whole, leastCaptionPx / captionMm) : whole
      const x = width / 2 - (k * (extent.x0 + extent.x1)) / 2
      const y = height / 2 - (k * (extent.y0 + extent.y1)) / 2
      behavior.current.transform(select(node), zoomIdentity.translate(x, y).scale(k))
    },
    [svg],
  )
  const scaleBy = useCallback(
    (factor: number) => {
      if (svg.current && behavior.current) behavior.current.scaleBy(select(svg.current), factor)
    },
    [svg],
  )
  /** Moves the chart so that a part of it, such as the key with the focus, is in view. */
  const reveal = useCallback(
    (part: Element) => {
      const node = svg.current
      if (!node || !behavior.current) return
      const frame = node.getBoundingClientRect()
      const box = part.getBoundingClientRect()
      const over = (low: number, high: number, least: number, most: number): number =>
        low < least + revealEdgePx
          ? least + revealEdgePx - low
          : high > most - revealEdgePx
            ? most - revealEdgePx - high
            : 0
      const dx = over(box.left, box.right, frame.left, frame.right)
      const dy = over(box.top, box.bottom, frame.top, frame.bottom)
      if (dx === 0 && dy === 0) return
      const { k } = zoomTransform(node)
      behavior.current.translateBy(select(node), dx / k, dy / k)
    },
    [svg],
  )
  return { fit, scaleBy, reveal }
}
