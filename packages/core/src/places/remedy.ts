import type { CommandId } from '../ids.js'
import type { Chord, Trigger } from '../triggers/index.js'

/** One step that ends a clash, or takes a command out of it. */
export interface Remedy {
  /**
   * move: to a free place; swap: with a command that has no trouble there; relay: the control sends what reaches the
   * command; bind: the command gets the chord that is sent; opener: a pop-up set opens by another press; habit: the
   * program is said to take or leave the press; setting: the system's key is turned off; unplace: taken off
   */
  readonly kind: 'move' | 'swap' | 'relay' | 'bind' | 'opener' | 'habit' | 'setting' | 'unplace'
  /** the command that moves or is taken off; none for a setting */
  readonly commandId?: CommandId
  readonly from: Trigger
  /** where it goes, for `move` and `swap`; what opens the set from then on, for `opener` */
  readonly to?: Trigger
  /** the command that comes to `from`; for `swap` only */
  readonly otherId?: string
  /** for `relay`, and for `bind` where the control sends another chord from then on */
  readonly sends?: readonly Chord[]
  /** for `bind` only: the chord that the command gets as well */
  readonly chord?: Chord
  /** for `opener` only */
  readonly setId?: string
  /** for `habit` only: the program, and the act of the pointer that it leaves free; else it takes its host's keys */
  readonly programId?: string
  readonly freed?: string
  /** what the step does, in words */
  readonly text: string
}
