import { operatorMs } from '../operators.js'
import type { HandsState } from '../hands-state.js'
import { goHome, pointerToKeys } from './travel.js'

/** Both hands come to the keys and type. */
export function typeText(hands: HandsState, characters: number): void {
  goHome(hands)
  pointerToKeys(hands)
  hands.add('K', operatorMs.K * characters, null, `${characters} characters`, { count: characters })
  hands.forgetLastPress()
}
