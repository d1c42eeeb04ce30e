import { triggerName, type Trigger } from '../../triggers/index.js'
import { operatorMs } from '../operators.js'
import type { HandsState } from '../hands-state.js'
import { goHome, pointerToKeys } from './travel.js'

/** Both hands come to the keys and type. */
export function typeText(hands: HandsState, characters: number): void {
  const from = hands.operators.length
  hands.comeBack()
  goHome(hands)
  pointerToKeys(hands)
  hands.sideBySide(from)
  hands.add('K', operatorMs.K * characters, null, `${characters} characters`, { count: characters })
  hands.forgetLastPress()
  hands.isTyping = true
}

/** Keys that typing takes in its stride: characters and what ends a word or a line. */
const typedKey =
  /^(Key[A-Z]|Digit\d|Space|Enter|Tab|Backspace|Minus|Equal|Bracket(Left|Right)|Semicolon|Quote|Back(quote|slash)|Comma|Period|Slash|Intl\w+)$/

/** A key pressed right after typing, with the hands where they are: one character more; false when it is no such key. */
export function typeOn(hands: HandsState, trigger: Trigger): boolean {
  if (!hands.isTyping || trigger.kind !== 'chord' || !typedKey.test(trigger.code)) return false
  if (trigger.modifiers.some((m) => m !== 'Shift')) return false
  const count = 1 + trigger.modifiers.length
  hands.add('K', operatorMs.K * count, null, triggerName(trigger, hands.work.naming), { count })
  return true
}
