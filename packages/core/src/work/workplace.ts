import type { Force, HandSide } from '../bench/index.js'
import type { ReachContext, ReachSituation, WristBand } from '../hand/index.js'
import type { MenuKnowledge } from '../plan/index.js'
import type { Naming } from '../triggers/index.js'

/** What the timing of acts rests on: the hands over a bench, and how triggers are reached. */
export interface Workplace {
  readonly situation: ReachSituation
  readonly reachContext: ReachContext
  readonly naming: Naming
  /** how hard devices are to press, by id; light where left out */
  readonly forces?: ReadonlyMap<string, Force> | undefined
  /** how well menus are known; usual where left out */
  readonly menus?: MenuKnowledge | undefined
}

/** Presses by posture, for the load on a hand. */
export interface PressNote {
  readonly hand: HandSide
  readonly band: WristBand
  /** the device that is pressed, where it is known */
  readonly deviceId: string | null
}
