import {
  modifierName,
  reservationInWords,
  type Modifier,
  type Reservation,
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

/** A set of held modifiers in words: `Ctrl+Shift`, or `No modifier`. */
export const modifierSetName = (held: readonly Modifier[], system: SystemId): string =>
  held.length === 0 ? 'No modifier' : held.map((m) => modifierName(m, system)).join('+')

/** What reserves a trigger, as a note beside it. */
export const reservedNote = (reserved: Reservation): string =>
  reserved.by === 'system' ? `Used by the system: ${reserved.action}` : `${reservationInWords(reserved)}`

/** How many there are, in words that agree: "1 command is", "2 commands are" by `howMany(n, 'command is', 'commands are')`. */
export const howMany = (count: number, one: string, several: string): string =>
  `${count.toLocaleString('en-GB')} ${count === 1 ? one : several}`
