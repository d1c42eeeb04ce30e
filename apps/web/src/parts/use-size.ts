import { useEffect, useState, type RefObject } from 'react'

/** Size of an element in px, kept up to date; that of a usual window until it is known. */
export function useSize(element: RefObject<Element | null>): {
  readonly widthPx: number
  readonly heightPx: number
} {
  const [size, setSize] = useState({ widthPx: 712, heightPx: 660 })
  useEffect(() => {
    const node = element.current
    if (!node) return
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ widthPx: entry.contentRect.width, heightPx: entry.contentRect.height })
    })
    observer.observe(node)
    return () => observer.disconnect()
  }, [element])
  return size
}
