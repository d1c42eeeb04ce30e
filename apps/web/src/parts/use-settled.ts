import { useState } from 'react'

/** A value as it was when things last stood still: what is costly to work out is not worked out with every press. */
export function useSettled<T>(value: T, isStill: boolean): T {
  const [settled, setSettled] = useState(value)
  if (isStill && settled !== value) setSettled(value)
  return isStill ? value : settled
}
