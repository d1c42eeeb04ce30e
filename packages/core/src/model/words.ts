import type { MissingPart } from '../bench/index.js'
import { modifierName } from '../triggers/index.js'
import type { Environment } from './environment.js'
import type { Reservation } from './place-index.js'

/** What a bench lacks, in words: `the key F13`, `the page Sheets`. */
export function missingPartInWords(part: MissingPart, env: Environment): string {
  const legend = env.legends?.get(part.id) ?? part.id
  switch (part.kind) {
    case 'modifier':
      return `the key ${modifierName(part.id, env.systemId)}`
    case 'key':
      return `the key ${part.id}`
    case 'control':
      return `the control ${legend}`
    case 'page':
      return `the page ${legend}`
    case 'popup':
      return `the pop-up set ${legend}`
    case 'direction':
      return `strokes in that many directions on ${legend}`
  }
}

/** What reserves a trigger, in words: what the system does with it, or what it opens. */
export function reservationInWords(reservation: Reservation): string {
  switch (reservation.by) {
    case 'system':
      return reservation.action
    case 'stage':
      return `${reservation.take.by}: ${reservation.take.does}`
    case 'page':
      return reservation.pageId === null ? 'Goes back a page' : 'Opens a page'
    case 'pop-up set':
      return `Brings up “${reservation.set.name}”`
  }
}
