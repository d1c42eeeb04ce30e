import {
  modifierName,
  reservationInWords,
  type Modifier,
  type Reservation,
  type Severity,
  type SystemId,
  type Verdict,
} from '@reach-plot/core'

/** How a trigger is reached, as people say it. */
export const verdictWords: Readonly<Record<Verdict, string>> = {
  rest: 'at rest',
  easy: 'easy',
  stretch: 'a stretch',
  away: 'the hand must move',
}

/** How bad a finding is, by what happens to the press. */
export const severityWords: Readonly<Record<Severity, string>> = {
  blocks: 'never arrives',
  shadows: 'hides another',
  ambiguous: 'two answers',
  caution: 'take care',
}

/** A set of held modifiers in words: `Ctrl+Shift`, or `No modifier`. */
export const modifierSetName = (held: readonly Modifier[], system: SystemId): string =>
  held.length === 0 ? 'No modifier' : held.map((m) => modifierName(m, system)).join('+')

/** What reserves a trigger, as a note beside it. */
export const reservedNote = (reserved: Reservation): string =>
  reserved.by === 'system' ? `Used by the system: ${reserved.action}` : `${reservationInWords(reserved)}`
