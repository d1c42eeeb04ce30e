import type { CommandId, ProgramId } from '../ids.js'
import type { Command, Program } from '../commands/index.js'
import type { Environment, GroupKey, PressStages } from '../model/index.js'
import type { Chord, Trigger, TriggerKey } from '../triggers/index.js'
import type { Clash } from './clash.js'

/** All commands of one program on one trigger, most used first, and what their controls send. */
export interface Group {
  readonly key: GroupKey
  readonly trigger: Trigger
  readonly program: Program
  readonly commands: readonly Command[]
  readonly relays: readonly {
    readonly command: Command
    readonly sends: readonly Chord[]
    /** commands that a chain runs after the first */
    readonly then?: readonly Command[]
  }[]
}

/** What a rule found; the checker adds the trigger and an id. */
export type Finding = Pick<
  Clash,
  'kind' | 'severity' | 'stage' | 'message' | 'cause' | 'evidence' | 'setting' | 'sends'
> & { readonly commands: readonly Command[] }

/** What rules ask while they judge one group. Each question is noted, so that an answer is asked again when it changes. */
export interface CheckContext {
  readonly env: Environment
  readonly stages: PressStages
  /** what a program has on a trigger */
  group(programId: ProgramId, key: TriggerKey): Group | undefined
  isPlaced(commandId: CommandId): boolean
  /** whether a control sends the chord for a command of the program */
  isSent(programId: ProgramId, key: TriggerKey): boolean
  /** whether two commands of different programs are one idea */
  isSameIdea(a: Command, b: Command): boolean
}

export type Rule = (group: Group, context: CheckContext) => readonly Finding[]
