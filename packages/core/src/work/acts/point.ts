import type { MenuKnowledge } from '../../plan/index.js'
import { operatorMs } from '../operators.js'
import type { HandsState } from '../hands-state.js'
import { goHome, takePointer } from './travel.js'

/** Walks a menu: what is looked for is found, then each level is pointed at and clicked. */
export function walkMenu(hands: HandsState, levels: readonly string[]): void {
  const from = hands.operators.length
  homeMeanwhile(hands)
  hands.menuWalks++
  hands.menuLevels += levels.length
  const known = hands.work.menus ?? 'usual'
  for (const [i, level] of levels.entries()) {
    if (looksFor(known, i)) hands.add('M', operatorMs.M, null, `find “${level}”`)
    hands.add('P', operatorMs.P, hands.other, `to “${level}”`)
    hands.add('B', operatorMs.B, hands.other, `“${level}”`)
  }
  hands.sideBySide(from)
}

/** The pointing hand takes its device; the hand on the keys goes back to where it rests while the other points. */
function homeMeanwhile(hands: HandsState): void {
  hands.comeBack()
  goHome(hands)
  takePointer(hands)
}

/** Whether a level of a menu is looked for: none by heart, the way to the entry once, or each. */
const looksFor = (known: MenuKnowledge, level: number): boolean =>
  known === 'seldom used' || (known === 'usual' && level === 0)

export function pointAndClick(hands: HandsState): void {
  const from = hands.operators.length
  homeMeanwhile(hands)
  hands.add('P', operatorMs.P, hands.other, 'to the place')
  hands.add('B', operatorMs.B, hands.other, 'click')
  hands.sideBySide(from)
}

export function drag(hands: HandsState): void {
  const from = hands.operators.length
  homeMeanwhile(hands)
  hands.add('P', operatorMs.P, hands.other, 'to where the drag begins')
  hands.add('B', operatorMs.B, hands.other, 'press')
  hands.add('P', operatorMs.P, hands.other, 'drag')
  hands.add('B', operatorMs.B, hands.other, 'let go')
  hands.sideBySide(from)
}
