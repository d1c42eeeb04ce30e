import { useEffect } from 'react'
import { modifierCodes, modifiers, sortModifiers, type Modifier, type NationalLayout } from '@reach-plot/core'
import { useView } from '../../store/view-store.js'
import { isTyping } from '../../parts/shortcuts/use-shortcuts.js'

/** Modifiers show on the chart once they are held this long, so that Shift+Tab and the like do not make it flicker. */
const holdMs = 250

/** Charts the modifiers that are held down on the real keyboard, unless the person is typing in a field. */
export function useHeldKeys(layout: NationalLayout): void {
  const set = useView((s) => s.set)
  useEffect(() => {
    let down: Modifier[] = []
    let timer: ReturnType<typeof setTimeout> | undefined
    const modifierOf = (event: KeyboardEvent): Modifier | undefined =>
      event.code === 'AltRight' && layout.altGraph
        ? 'AltGraph'
        : modifiers.find((m) => modifierCodes(m, layout.altGraph).includes(event.code))
    const show = (): void => set({ pressedHeld: sortModifiers(down) })
    const onKeyDown = (event: KeyboardEvent): void => {
      const modifier = modifierOf(event)
      clearTimeout(timer)
      if (!modifier || isTyping(event.target) || document.querySelector('[role=dialog], [data-listening]'))
        return
      // a held Alt would open the browser's menu when it is let go
      if (modifier === 'Alt') event.preventDefault()
      if (!down.includes(modifier)) down = [...down, modifier]
      timer = setTimeout(show, holdMs)
    }
    const onKeyUp = (event: KeyboardEvent): void => {
      const modifier = modifierOf(event)
      if (!modifier) return
      clearTimeout(timer)
      down = down.filter((m) => m !== modifier)
      show()
    }
    const release = (): void => {
      clearTimeout(timer)
      down = []
      show()
    }
    addEventListener('keydown', onKeyDown)
    addEventListener('keyup', onKeyUp)
    addEventListener('blur', release)
    return () => {
      release()
      removeEventListener('keydown', onKeyDown)
      removeEventListener('keyup', onKeyUp)
      removeEventListener('blur', release)
    }
  }, [layout, set])
}
