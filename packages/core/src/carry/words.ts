import { triggerKey, triggerName, type Naming, type Trigger } from '../triggers/index.js'
import type { SetUpStep } from './set-up.js'

const list = (triggers: readonly Trigger[], naming: Naming): string =>
  triggers.map((t) => triggerName(t, naming)).join(', ')

/** Several keys as they stand in a table; a dash for none. */
export const keysInWords = (triggers: readonly Trigger[], naming: Naming): string =>
  triggers.length === 0 ? '–' : list(triggers, naming)

/** What to do for one step, line by line. */
export function stepInWords(step: SetUpStep, naming: Naming): string[] {
  const { place, off, on, sends, systemAction } = step
  if (place.kind === 'system') return [`Free ${list(off, naming)}: it does “${systemAction ?? ''}” now.`]
  const taken = off.length > 0 ? [`Take ${list(off, naming)} off it.`] : []
  const sent = (t: Trigger): string | null => {
    const chords = sends[triggerKey(t)]
    return chords && chords.length > 0 ? list(chords, naming) : null
  }
  if (place.kind === 'device')
    return [
      ...taken,
      ...(on.length > 0 ? on : step.becomes).flatMap((t) => {
        const chords = sent(t)
        if (chords !== null) return [`Let ${triggerName(t, naming)} send ${chords}.`]
        return on.length > 0 ? [`Give it ${triggerName(t, naming)}.`] : []
      }),
    ]
  return [
    ...taken,
    ...on.map((t) =>
      taken.length > 0
        ? `Press ${triggerName(t, naming)} in its field.`
        : `Give it ${triggerName(t, naming)}.`,
    ),
  ]
}
