import { operatorMs } from '../operators.js'
import type { HandsState } from '../hands-state.js'
import { takePointer } from './travel.js'

/** Walks a menu: each level is found, pointed at and clicked. */
export function walkMenu(hands: HandsState, levels: readonly string[]): void {
  takePointer(hands)
  for (const level of levels) {
    hands.add('M', operatorMs.M, null, `find “${level}”`)
    hands.add('P', operatorMs.P, hands.other, `to “${level}”`)
    hands.add('B', operatorMs.B, hands.other, `“${level}”`)
  }
}

export function pointAndClick(hands: HandsState): void {
  takePointer(hands)
  hands.add('P', operatorMs.P, hands.other, 'to the place')
  hands.add('B', operatorMs.B, hands.other, 'click')
}

export function drag(hands: HandsState): void {
  takePointer(hands)
  hands.add('P', operatorMs.P, hands.other, 'to where the drag begins')
  hands.add('B', operatorMs.B, hands.other, 'press')
  hands.add('P', operatorMs.P, hands.other, 'drag')
  hands.add('B', operatorMs.B, hands.other, 'let go')
}
