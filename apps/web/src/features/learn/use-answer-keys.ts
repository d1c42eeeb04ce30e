import { useEffect, useRef, useState } from 'react'
import { chord, triggerKey, type Chord, type NationalLayout, type Trigger } from '@reach-plot/core'
import { chordOf } from '../../parts/use-listen.js'
import { useRealKeys } from '../../parts/use-real-keys.js'
import type { Way } from './asked.js'

/**
 * Presses of the real keyboard as answers to what is asked. Escape ends the session at its second press, unless Escape is what is asked for; where
 * no key can answer, Tab and the arrows are left to the drawing.
 * @returns whether Escape was pressed once
 */
export function useAnswerKeys({
  asked,
  way,
  sent,
  layout,
  onPress,
  onStop,
}: {
  /** null while nothing is asked */
  asked: Trigger | null
  way: Way
  /** what the control sends where the asked trigger is none of a keyboard */
  sent: readonly Trigger[]
  layout: NationalLayout
  onPress: (pressed: Trigger, isRight: boolean, at: number) => void
  onStop: () => void
}): boolean {
  const [escapedFrom, setEscapedFrom] = useState<string | null>(null)
  const askedKey = asked && triggerKey(asked)
  const isEscaping = askedKey !== null && escapedFrom === askedKey
  const begun = useRef<Chord[]>([])
  const latest = useRef({ onPress, onStop, isEscaping })
  useEffect(() => {
    latest.current = { onPress, onStop, isEscaping }
  })
  useEffect(() => {
    begun.current = []
  }, [askedKey])
  const isRight = (pressed: Trigger): boolean => {
    const key = triggerKey(pressed)
    return key === askedKey || (sent.length === 1 && sent.some((s) => triggerKey(s) === key))
  }
  useRealKeys(asked !== null && way === 'act', layout, (pressed) =>
    onPress(pressed, isRight(pressed), performance.now()),
  )
  useEffect(() => {
    if (!asked) return
    const onKeyDown = (event: KeyboardEvent): void => {
      const escapes = event.code === 'Escape' && askedKey !== triggerKey(chord('Escape'))
      if (escapes) {
        event.preventDefault()
        event.stopPropagation()
        if (event.repeat) return
        if (latest.current.isEscaping) latest.current.onStop()
        else setEscapedFrom(askedKey)
        return
      }
      if (way === 'drawn' || way === 'act') return
      event.preventDefault()
      event.stopPropagation()
      if (event.repeat) return
      const pressed = chordOf(event, layout)
      if (pressed?.kind !== 'chord') return
      setEscapedFrom(null)
      if (asked.kind !== 'sequence') return latest.current.onPress(pressed, isRight(pressed), event.timeStamp)
      const chords = [...begun.current, pressed]
      const goesOn = asked.chords
        .slice(0, chords.length)
        .every((c, i) => triggerKey(c) === triggerKey(chords[i]!))
      if (goesOn && chords.length < asked.chords.length) {
        begun.current = chords
        return
      }
      begun.current = []
      latest.current.onPress(
        chords.length > 1 ? { kind: 'sequence', chords } : pressed,
        goesOn,
        event.timeStamp,
      )
    }
    addEventListener('keydown', onKeyDown, { capture: true })
    return () => removeEventListener('keydown', onKeyDown, { capture: true })
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [askedKey, way, layout, sent])
  return isEscaping
}
