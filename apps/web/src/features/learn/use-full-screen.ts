import { useEffect, useState } from 'react'

/** The part of the browser that gives a page in full screen the keys that it keeps otherwise; not in every browser. */
interface KeyboardLock {
  lock(): Promise<void>
  unlock(): void
}

const keyboardLock = (): KeyboardLock | null => {
  const { keyboard } = navigator as { keyboard?: Partial<KeyboardLock> }
  return keyboard?.lock && keyboard.unlock ? (keyboard as KeyboardLock) : null
}

/** Full screen with the keyboard given to the page, where the browser can, so that more presses arrive. */
export function useFullScreen() {
  const [isFull, setFull] = useState(() => document.fullscreenElement !== null)
  useEffect(() => {
    const onChange = (): void => {
      const full = document.fullscreenElement !== null
      setFull(full)
      if (!full) keyboardLock()?.unlock()
    }
    document.addEventListener('fullscreenchange', onChange)
    return () => document.removeEventListener('fullscreenchange', onChange)
  }, [])
  return {
    canLock: keyboardLock() !== null && document.fullscreenEnabled,
    isFull,
    async toggle(): Promise<void> {
      try {
        if (document.fullscreenElement) return await document.exitFullscreen()
        await document.documentElement.requestFullscreen()
        await keyboardLock()?.lock()
      } catch {
        // the browser refuses: everything works as before
      }
    },
  }
}
