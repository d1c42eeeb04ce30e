import type { ProgramId } from '../ids.js'
import { plainTriggers, type Control } from '../bench/index.js'
import { liveContexts, type Command, type Program } from '../commands/index.js'
import type { StageTake } from '../hosts/index.js'
import {
  missingPartInWords,
  occupies,
  pressStages,
  sentBy,
  type PressStages,
  type Environment,
  type Typed,
} from '../model/index.js'
import {
  heldOf,
  sortModifiers,
  controlRefOf,
  triggerKey,
  withHeld,
  type Chord,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'
import type { Placed } from '../plan/index.js'

/** What one trigger does in one program: in each context the commands that are live there. */
export interface LookupProgram {
  readonly program: Program
  /** who takes or uses it before the program, in words of the check */
  readonly takes: readonly StageTake[]
  readonly contexts: readonly {
    readonly id: string
    readonly name: string
    readonly commands: readonly Command[]
  }[]
}

/** What a trigger does, everywhere. */
export interface Lookup {
  readonly trigger: Trigger
  /** what the bench lacks for it, in words */
  readonly lacks: readonly string[]
  readonly systemAction: string | null
  /** what the input method does with it */
  readonly inputMethod: StageTake | null
  readonly typed: Typed | null
  readonly programs: readonly LookupProgram[]
  /** controls that send this chord, with the command that they are meant for */
  readonly relays: readonly {
    readonly trigger: Trigger
    readonly command: Command
    readonly sends: readonly Chord[]
  }[]
}

/** What a key or combination does in each program, context and in the system. */
export function lookUp(trigger: Trigger, placements: readonly Placed[], env: Environment): Lookup {
  const stages = pressStages(env)
  const commands = new Map(env.commands.map((c) => [c.id, c]))
  const key = triggerKey(trigger)
  const holders = placements.flatMap((p) =>
    triggerKey(p.trigger) === key ? (commands.get(p.commandId) ?? []) : [],
  )
  const [sent] = sentBy(trigger)
  return {
    trigger,
    lacks: stages.device(trigger).map((lack) => missingPartInWords(lack, env)),
    systemAction: sent ? stages.system(sent) : null,
    inputMethod: sent ? stages.inputMethod(sent) : null,
    typed: sent ? stages.input(sent) : null,
    programs: env.programs.map((program) => ({
      program,
      takes: [...stages.pointer(trigger, program), ...(sent ? stages.host(sent, program) : [])],
      contexts: program.contexts.map((context) => ({
        id: context.id,
        name: context.name,
        commands: holders.filter(
          (c) => c.programId === program.id && liveContexts(c, program).includes(context.id),
        ),
      })),
    })),
    relays: placements.flatMap((p) => {
      const command = commands.get(p.commandId)
      return command && p.sends?.some((s) => triggerKey(s) === key)
        ? [{ trigger: p.trigger, command, sends: p.sends }]
        : []
    }),
  }
}

/** Whether the host of a program keeps a press, or the pointer does something of its own with it. */
const isKept = (trigger: Trigger, sent: Chord | undefined, program: Program, stages: PressStages): boolean =>
  stages.pointer(trigger, program).some((take) => take.severity !== 'caution') ||
  (sent !== undefined && stages.host(sent, program).some((take) => take.severity === 'blocks'))

/** One row of what stands, or could stand, under a set of held modifiers. */
export interface ModifierSetRow {
  readonly trigger: Trigger
  readonly control: Control
  readonly commands: readonly Command[]
  readonly systemAction: string | null
  readonly free: boolean
}

/**
 * Every trigger under exactly these modifiers: what is bound, what the system keeps, what is free.
 * @param programId  only this program's commands count; null for all programs
 */
export function modifierSetRows(
  held: readonly Modifier[],
  placements: readonly Placed[],
  env: Environment,
  programId: ProgramId | null,
  stages: PressStages = pressStages(env),
): ModifierSetRow[] {
  const commands = new Map(env.commands.map((c) => [c.id, c]))
  const wanted = sortModifiers(held).join()
  const program = env.programs.find((p) => p.id === programId)
  const occupied = new Set<string>()
  const holders = new Map<string, Command[]>()
  const extra = new Map<string, Trigger[]>()
  for (const { commandId, trigger } of placements) {
    const command = commands.get(commandId)
    if (!command || sortModifiers(heldOf(trigger)).join() !== wanted) continue
    if (programId !== null && command.programId !== programId) continue
    for (const at of occupies(trigger)) occupied.add(at)
    const key = triggerKey(trigger)
    if (!holders.has(key)) {
      const place = controlRefOf(trigger) ?? ''
      extra.set(place, [...(extra.get(place) ?? []), trigger])
    }
    holders.set(key, [...(holders.get(key) ?? []), command])
  }
  const seen = new Set<string>()
  return env.controls.flatMap((control) => {
    const place = control.code ?? control.id
    // plain triggers first, then those of other acts or pages that something stands on
    const triggers = [...plainTriggers(control, held), ...(extra.get(place) ?? [])].map((t) =>
      withHeld(t, held),
    )
    return triggers.flatMap((trigger): ModifierSetRow[] => {
      const key = triggerKey(trigger)
      if (seen.has(key)) return []
      seen.add(key)
      const on = holders.get(key) ?? []
      const [sent] = sentBy(trigger)
      const systemAction = sent ? stages.system(sent) : null
      const isTaken =
        stages.opensPage(trigger) !== undefined ||
        stages.opensPopup(trigger, programId ?? undefined) !== undefined ||
        (sent && stages.inputMethod(sent) !== null) ||
        (program !== undefined && isKept(trigger, sent, program, stages))
      return [
        {
          trigger,
          control,
          commands: on,
          systemAction,
          free:
            on.length === 0 &&
            systemAction === null &&
            !isTaken &&
            !occupies(trigger).some((at) => occupied.has(at)),
        },
      ]
    })
  })
}
