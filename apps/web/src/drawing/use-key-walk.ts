import { useState, type KeyboardEvent, type MouseEvent, type RefObject } from 'react'
import type { BenchControl } from '@reach-plot/core'

const directions: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** What an element of the drawing stands for: its control's id, and its reference as `code`. */
export const keyUnder = (target: EventTarget): DOMStringMap | undefined =>
  (target as Element).closest<SVGGElement>('[data-code]')?.dataset

/**
 * Keys of a drawing as one stop of the tab key: arrows walk to the neighbour, Enter, Space and a click press.
 * @param onKey  gets the control that was pressed
 */
export function useKeyWalk(
  svg: RefObject<SVGSVGElement | null>,
  controls: readonly BenchControl[],
  firstId: string,
  onKey: (controlRef: string) => void,
) {
  const [tabId, setTabId] = useState(firstId)
  const focus = (id: string): void => svg.current?.querySelector<SVGGElement>(`[data-id="${id}"]`)?.focus()
  return {
    tabId,
    focusTab: () => focus(tabId),
    onClick(event: MouseEvent): void {
      const at = keyUnder(event.target)
      if (!at) return
      setTabId(at['id'] as string)
      onKey(at['code'] as string)
    },
    onKeyDown(event: KeyboardEvent<SVGGElement>): void {
      const at = keyUnder(event.target)
      if (!at) return
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault()
        onKey(at['code'] as string)
        return
      }
      const direction = directions[event.key]
      if (!direction) return
      event.preventDefault()
      const next = neighbour(controls, at['id'] as string, direction[0], direction[1])
      if (next === null) return
      setTabId(next)
      focus(next)
    },
  }
}

/** The nearest key in a direction; sideways distance counts double, so that the focus keeps to its row or column. */
function neighbour(controls: readonly BenchControl[], from: string, dx: number, dy: number): string | null {
  const here = controls.find((c) => c.id === from)
  if (!here) return null
  let best: string | null = null
  let least = Infinity
  for (const c of controls) {
    const along = (c.xMm - here.xMm) * dx + (c.yMm - here.yMm) * dy
    const across = Math.abs((c.xMm - here.xMm) * dy) + Math.abs((c.yMm - here.yMm) * dx)
    const cost = along + 2 * across
    if (c.id !== from && along > 4 && across < along * 2 && cost < least) {
      least = cost
      best = c.id
    }
  }
  return best
}
