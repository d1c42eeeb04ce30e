import type { HandSide } from '../bench/index.js'
import type { Trigger } from '../triggers/index.js'
import { drag, pointAndClick, walkMenu } from './acts/point.js'
import { press } from './acts/press.js'
import { settle } from './acts/travel.js'
import { typeText } from './acts/type.js'
import { HandsState } from './hands-state.js'
import type { Operator } from './operators.js'
import type { PressNote, Workplace } from './workplace.js'

/** Two hands at work: every act adds its operators, from where the hands are. */
export interface Hands {
  readonly operators: readonly Operator[]
  readonly presses: readonly PressNote[]
  /** times that a hand left its home, or the pointing hand what it holds */
  readonly trips: number
  /** menus that were walked, and their levels */
  readonly menuWalks: number
  readonly menuLevels: number
  /** works a trigger; false when it cannot be made on this bench */
  press(trigger: Trigger): boolean
  menu(levels: readonly string[]): void
  point(): void
  drag(): void
  type(characters: number): void
  /** waits for a device that sends chords */
  wait(ms: number, what: string): void
  /** what came from an operator on is done by both hands at the same time; the longer counts */
  sideBySide(from: number): void
  /** both hands go back to where they rest, so that the next act starts like the first */
  settle(): void
}

/** Two hands at rest over a bench, ready to act; the hand of `side` is the one on the keys. */
export function simulateHands(work: Workplace, side: HandSide): Hands {
  const hands = new HandsState(work, side)
  return {
    operators: hands.operators,
    presses: hands.presses,
    get trips() {
      return hands.trips
    },
    get menuWalks() {
      return hands.menuWalks
    },
    get menuLevels() {
      return hands.menuLevels
    },
    press: (trigger) => press(hands, trigger),
    menu: (levels) => walkMenu(hands, levels),
    point: () => pointAndClick(hands),
    drag: () => drag(hands),
    type: (characters) => typeText(hands, characters),
    wait: (ms, what) => hands.add('R', ms, null, what),
    sideBySide: (from) => hands.sideBySide(from),
    settle: () => settle(hands),
  }
}
