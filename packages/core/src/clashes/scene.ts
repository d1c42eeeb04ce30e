import {
  contextsOverlap,
  liveContexts,
  livesEverywhere,
  type Command,
  type Program,
} from '../commands/index.js'
import type { Environment, PressStages } from '../model/index.js'
import { limitedTo, type Placed } from '../plan/index.js'
import { triggerKey, type Chord, type Trigger, type TriggerKey } from '../triggers/index.js'

/** A command on a trigger. */
interface Standing {
  /** as its placement limits it */
  readonly command: Command
  /** what a chain runs after it */
  readonly then: readonly Command[]
  readonly program: Program
  readonly sends?: readonly Chord[] | undefined
}

/** What a device is set to do on a trigger; the name of the program that it is set for, where that is not in front. */
export interface Setting extends Standing {
  readonly foreign: string | null
}

/** The program and context in front, and what is placed there. */
export class Scene {
  readonly program: Program
  readonly context: Program['contexts'][number] | undefined
  private readonly byTrigger = new Map<TriggerKey, Standing[]>()
  /** devices whose driver changes all settings with the program in front */
  private readonly setByProgram: ReadonlySet<string>

  /** placements of the program by the press as which they arrive, where its terminal makes one of several */
  private readonly byArrival = new Map<TriggerKey, Standing[]>()

  constructor(
    program: Program,
    contextId: string,
    placements: readonly Placed[],
    env: Environment,
    private readonly stages: PressStages,
  ) {
    this.program = program
    this.context = program.contexts.find((c) => c.id === contextId)
    const commands = new Map(env.commands.map((c) => [c.id, c]))
    const programs = new Map(env.programs.map((p) => [p.id, p]))
    this.setByProgram = new Set(
      (env.devices ?? []).flatMap((d) => (d.kind === 'drawn' && d.isSetByProgram === true ? [d.id] : [])),
    )
    for (const { commandId, trigger, sends, contextIds, then = [] } of placements) {
      const whole = commands.get(commandId)
      const owner = whole && programs.get(whole.programId)
      if (!owner) continue
      const key = triggerKey(trigger)
      const standing: Standing = {
        command: limitedTo(whole, contextIds),
        then: then.flatMap((id) => commands.get(id) ?? []),
        program: owner,
        sends,
      }
      this.byTrigger.set(key, [...(this.byTrigger.get(key) ?? []), standing])
      const arrival = owner === program ? this.arrival(trigger) : null
      if (arrival !== null) this.byArrival.set(arrival, [...(this.byArrival.get(arrival) ?? []), standing])
    }
  }

  /** The press as which one arrives at the program; null where its terminal keeps it. */
  private arrival(trigger: Trigger): TriggerKey | null {
    if (trigger.kind !== 'chord' || this.program.host !== 'terminal') return triggerKey(trigger)
    if (this.stages.host(trigger, this.program).some((take) => take.severity === 'blocks')) return null
    const arrives = this.stages.arrivesAs(trigger, this.program)
    return arrives && triggerKey(arrives)
  }

  private at(trigger: Trigger) {
    return this.byTrigger.get(triggerKey(trigger)) ?? []
  }

  isSet(trigger: Trigger): boolean {
    return this.at(trigger).some((p) => p.program === this.program)
  }

  /** What the device is set to for the program in front, or else for another: a driver falls back on any setting. */
  settingsOf(trigger: Trigger): Setting | undefined {
    const all = this.at(trigger)
    const own = all.filter((p) => p.program === this.program)
    const liveHere = own.find((p) => this.isLive(p.command)) ?? own[0]
    if (liveHere) return { ...liveHere, foreign: null }
    if ('deviceId' in trigger && this.setByProgram.has(trigger.deviceId)) return undefined
    const foreign = all.find((p) => p.sends !== undefined)
    return foreign && { ...foreign, foreign: foreign.program.name }
  }

  private isLive(command: Command): boolean {
    return this.context === undefined || liveContexts(command, this.program).includes(this.context.id)
  }

  /** The program's commands on a trigger: live here, live in contexts that can be live together with it, others. */
  boundTo(trigger: Trigger): {
    readonly live: Command[]
    readonly alongside: Command[]
    readonly other: Command[]
  } {
    const arrival = this.arrival(trigger)
    const own = arrival === null ? [] : (this.byArrival.get(arrival) ?? [])
    const commands = [...new Set(own.map((p) => p.command))]
    const all = commands.filter((c) => this.isLive(c))
    // a context's own command answers before one that lives everywhere
    const ofContext = all.filter((c) => !livesEverywhere(c, this.program))
    const live = this.program.contextsTie === true || ofContext.length === 0 ? all : ofContext
    const rest = commands.filter((c) => !all.includes(c))
    const together = (c: Command): boolean =>
      liveContexts(c, this.program).some((id) => contextsOverlap(this.program, id, this.context?.id ?? id))
    return { live, alongside: rest.filter(together), other: rest.filter((c) => !together(c)) }
  }

  contextNames(command: Command): string {
    const ids = liveContexts(command, this.program)
    return this.program.contexts
      .filter((c) => ids.includes(c.id))
      .map((c) => c.name)
      .join(', ')
  }

  /** Other programs that have the trigger, as an aside. */
  elsewhere(trigger: Trigger): string {
    const names = new Set(
      this.at(trigger)
        .filter((p) => p.program !== this.program)
        .map((p) => p.program.name),
    )
    return names.size > 0 ? ` ${[...names].join(' and ')} has it, but is not in front.` : ''
  }
}
