import { useEffect, useReducer } from 'react'
import type { DrillPress, FitTrial } from '@reach-plot/core'

/** Where the guided test stands. */
export interface DrillState {
  readonly running: boolean
  readonly at: number
  /** the finger is down on its resting key */
  readonly resting: boolean
  readonly releasedAt: number | null
  readonly trials: readonly FitTrial[]
  /** what went wrong with the last press, in words */
  readonly fault: string | null
}

export type DrillEvent =
  | { readonly type: 'start' }
  | { readonly type: 'stop' }
  | { readonly type: 'down' | 'up'; readonly code: string; readonly timeMs: number }

export const idleDrill: DrillState = {
  running: false,
  at: 0,
  resting: false,
  releasedAt: null,
  trials: [],
  fault: null,
}

/** A longer way than this is no movement but a pause: the press is asked for again, ms. */
const longestMs = 2500

/**
 * One step of the test. The finger holds its resting key; the time runs from its release to the press of the prompted
 * key, so that reading the prompt is not counted.
 */
export function drillStep(presses: readonly DrillPress[], state: DrillState, event: DrillEvent): DrillState {
  if (event.type === 'start') return { ...idleDrill, running: presses.length > 0 }
  if (event.type === 'stop') return { ...state, running: false, resting: false, releasedAt: null }
  const press = presses[state.at]
  if (!state.running || !press) return state
  const again = (fault: string): DrillState => ({ ...state, resting: false, releasedAt: null, fault })
  if (event.type === 'up')
    return event.code === press.restCode && state.resting
      ? { ...state, resting: false, releasedAt: event.timeMs }
      : state
  if (state.releasedAt === null) {
    if (event.code === press.restCode) return { ...state, resting: true, fault: null }
    return state.resting && event.code === press.code
      ? again('Let go of the resting key first, and use the same finger.')
      : again('Rest the finger on its key first.')
  }
  if (event.code !== press.code) return again('That was another key. Once more.')
  const timeMs = event.timeMs - state.releasedAt
  if (timeMs > longestMs) return again('That took a while. Once more.')
  const { finger, distanceMm, widthMm } = press
  const trials = [...state.trials, { finger, distanceMm, widthMm, timeMs: Math.max(1, timeMs) }]
  const at = state.at + 1
  return { ...state, running: at < presses.length, at, trials, resting: false, releasedAt: null, fault: null }
}

/** Runs the guided test on the real keyboard. Escape stops it. */
export function useDrill(presses: readonly DrillPress[]): readonly [DrillState, (event: DrillEvent) => void] {
  const [state, send] = useReducer(
    (before: DrillState, event: DrillEvent) => drillStep(presses, before, event),
    idleDrill,
  )
  useEffect(() => {
    if (!state.running) return
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') {
        send({ type: 'stop' })
        return
      }
      if (event.metaKey || event.code === 'Tab') return
      event.preventDefault()
      event.stopPropagation()
      if (event.repeat) return
      send({ type: event.type === 'keydown' ? 'down' : 'up', code: event.code, timeMs: event.timeStamp })
    }
    addEventListener('keydown', onKey, { capture: true })
    addEventListener('keyup', onKey, { capture: true })
    return () => {
      removeEventListener('keydown', onKey, { capture: true })
      removeEventListener('keyup', onKey, { capture: true })
    }
  }, [state.running])
  return [state, send]
}
