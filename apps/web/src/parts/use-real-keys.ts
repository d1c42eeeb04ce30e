import { useEffect, useRef } from 'react'
import {
  holdWaitMs,
  keyTrigger,
  tapWaitMs,
  type Act,
  type NationalLayout,
  type Trigger,
} from '@reach-plot/core'
import { chordOf } from './use-listen.js'

/**
 * While `on`, presses of the real keyboard with the waits of the model: a hold counts after its time, taps are counted
 * until none comes any more. Escape ends it.
 */
export function useRealKeys(on: boolean, layout: NationalLayout, onPress: (trigger: Trigger) => void): void {
  const latest = useRef(onPress)
  useEffect(() => {
    latest.current = onPress
  })
  useEffect(() => {
    if (!on) return
    let down: { code: string; at: number; trigger: Extract<Trigger, { kind: 'chord' }> } | null = null
    let taps = 0
    let timer: ReturnType<typeof setTimeout> | undefined
    const tell = (act: Act): void => {
      if (down) latest.current(keyTrigger(down.trigger.code, act, down.trigger.modifiers))
      taps = 0
      down = null
    }
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') return
      const trigger = chordOf(event, layout)
      if (trigger?.kind !== 'chord') return
      event.preventDefault()
      event.stopPropagation()
      if (event.repeat) return
      clearTimeout(timer)
      if (down && down.code !== event.code) tell(taps > 1 ? (`tap${taps}` as Act) : 'press')
      down = { code: event.code, at: event.timeStamp, trigger }
    }
    const onKeyUp = (event: KeyboardEvent): void => {
      if (!down || event.code !== down.code) return
      if (event.timeStamp - down.at >= holdWaitMs) {
        tell('hold')
        return
      }
      taps = Math.min(5, taps + 1)
      timer = setTimeout(() => tell(taps > 1 ? (`tap${taps}` as Act) : 'press'), tapWaitMs)
    }
    addEventListener('keydown', onKeyDown, { capture: true })
    addEventListener('keyup', onKeyUp, { capture: true })
    return () => {
      clearTimeout(timer)
      removeEventListener('keydown', onKeyDown, { capture: true })
      removeEventListener('keyup', onKeyUp, { capture: true })
    }
  }, [on, layout])
}
