import { useEffect } from 'react'
import { chord, isModifierCode, type Modifier, type NationalLayout, type Trigger } from '@reach-plot/core'

/** The chord of a key event; null for a modifier alone. */
export function chordOf(event: KeyboardEvent, layout: NationalLayout): Trigger | null {
  if (event.code === '' || isModifierCode(event.code)) return null
  const altGraph = layout.altGraph && event.getModifierState('AltGraph')
  const held: (Modifier | false)[] = [
    event.ctrlKey && !altGraph && 'Control',
    event.shiftKey && 'Shift',
    event.altKey && !altGraph && 'Alt',
    altGraph && 'AltGraph',
    event.metaKey && 'Meta',
  ]
  return chord(
    event.code,
    held.filter((m) => m !== false),
  )
}

/** While `on`, takes the next chord from the keyboard before anything else in the page; Escape gives up. */
export function useListen(
  on: boolean,
  layout: NationalLayout,
  onChord: (trigger: Trigger | null) => void,
): void {
  useEffect(() => {
    if (!on) return
    const onKeyDown = (event: KeyboardEvent): void => {
      event.preventDefault()
      event.stopPropagation()
      if (event.key === 'Escape') return onChord(null)
      const trigger = chordOf(event, layout)
      if (trigger) onChord(trigger)
    }
    addEventListener('keydown', onKeyDown, { capture: true })
    return () => removeEventListener('keydown', onKeyDown, { capture: true })
  }, [on, layout, onChord])
}
