import { useEffect, useRef, useState } from 'react'
import { triggerKey, type NationalLayout, type Trigger } from '@reach-plot/core'
import { chordOf } from '../../parts/use-listen.js'

/** How long a press is waited for, ms. */
export const probeWaitMs = 6000

export type ProbeStage = 'waiting' | 'late'

/** Waits for one chord on the real keyboard. Other chords are kept from the page, but do not count. */
export function useProbe(
  chord: Trigger | null,
  layout: NationalLayout,
  onArrives: () => void,
): { readonly stage: ProbeStage; again(): void } {
  const [late, setLate] = useState(false)
  const [round, setRound] = useState(0)
  const latest = useRef(onArrives)
  useEffect(() => {
    latest.current = onArrives
  })
  const wanted = chord && triggerKey(chord)
  useEffect(() => {
    if (wanted === null) return
    const timer = setTimeout(() => setLate(true), probeWaitMs)
    const onKeyDown = (event: KeyboardEvent): void => {
      const pressed = chordOf(event, layout)
      if (!pressed || triggerKey(pressed) !== wanted) return
      event.preventDefault()
      event.stopPropagation()
      latest.current()
    }
    addEventListener('keydown', onKeyDown, { capture: true })
    return () => {
      clearTimeout(timer)
      setLate(false)
      removeEventListener('keydown', onKeyDown, { capture: true })
    }
  }, [wanted, layout, round])
  return { stage: late ? 'late' : 'waiting', again: () => setRound(round + 1) }
}
