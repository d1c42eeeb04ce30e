import type { CommandId } from '../ids.js'
import type { Command, Program } from '../commands/index.js'
import { groupKey, type Environment, type GroupKey } from '../model/index.js'
import { limitedTo, type Placed } from '../plan/index.js'
import { triggerKey, type Trigger, type TriggerKey } from '../triggers/index.js'
import type { Group } from './finding.js'

/** What differs between two arrangements, as far as a check can tell. */
export interface Changes {
  readonly groups: ReadonlySet<GroupKey>
  /** commands that gained their first place or lost their last */
  readonly commandIds: ReadonlySet<string>
}

/** Keys of triggers are asked for again with every check; triggers are never changed in place. */
const keyOf = new WeakMap<Trigger, TriggerKey>()
function keyFor(trigger: Trigger): TriggerKey {
  let key = keyOf.get(trigger)
  if (key === undefined) keyOf.set(trigger, (key = triggerKey(trigger)))
  return key
}

interface GroupDraft {
  readonly trigger: Trigger
  readonly commands: Command[]
  readonly relays: Group['relays'][number][]
}

/** An arrangement in groups of one program on one trigger, kept up to date from one check to the next. */
export class Groups {
  private readonly commands: ReadonlyMap<string, Command>
  private readonly programs: ReadonlyMap<string, Program>
  private readonly groups = new Map<GroupKey, Group>()
  private before: readonly Placed[] = []
  private placedCount = new Map<string, number>()
  /** how often controls send what a program has on a trigger */
  private sentCount = new Map<GroupKey, number>()

  constructor(env: Environment) {
    this.commands = new Map(env.commands.map((c) => [c.id, c]))
    this.programs = new Map(env.programs.map((p) => [p.id, p]))
  }

  get(key: GroupKey): Group | undefined {
    return this.groups.get(key)
  }

  isPlaced(commandId: CommandId): boolean {
    return (this.placedCount.get(commandId) ?? 0) > 0
  }

  /** Whether a control sends the chord for a command of the program. */
  isSent(key: GroupKey): boolean {
    return (this.sentCount.get(key) ?? 0) > 0
  }

  usesOf(commandIds: readonly CommandId[]): number {
    return commandIds.reduce((sum, id) => sum + (this.commands.get(id)?.usesPerHour ?? 0), 0)
  }

  /** Takes over another arrangement and tells what it changes. Placements of unknown commands are passed over. */
  update(placements: readonly Placed[]): Changes {
    const changes = this.changesTo(placements)
    if (changes.groups.size + changes.commandIds.size > 0) this.regroup(placements, changes.groups)
    this.before = placements
    return changes
  }

  private keyOf(placed: Placed): GroupKey | null {
    const command = this.commands.get(placed.commandId)
    return command && this.programs.has(command.programId)
      ? groupKey(command.programId, keyFor(placed.trigger))
      : null
  }

  /** The groups that a relay reaches, of the program of its command. */
  private sentKeys({ commandId, sends }: Placed): GroupKey[] {
    const programId = this.commands.get(commandId)?.programId
    return sends && programId !== undefined ? sends.map((s) => groupKey(programId, triggerKey(s))) : []
  }

  private changesTo(next: readonly Placed[]): Changes {
    const was = new Set(this.before)
    const now = new Set(next)
    const groups = new Set<GroupKey>()
    const count = new Map(this.placedCount)
    const sentCount = new Map(this.sentCount)
    const note = (placed: Placed, by: 1 | -1): void => {
      const key = this.keyOf(placed)
      if (key !== null) groups.add(key)
      for (const sent of this.sentKeys(placed)) {
        groups.add(sent)
        sentCount.set(sent, (sentCount.get(sent) ?? 0) + by)
      }
      count.set(placed.commandId, (count.get(placed.commandId) ?? 0) + by)
    }
    for (const placed of this.before) if (!now.has(placed)) note(placed, -1)
    for (const placed of next) if (!was.has(placed)) note(placed, 1)
    const commandIds = new Set<string>()
    for (const [id, n] of count) if (n > 0 !== this.isPlaced(id)) commandIds.add(id)
    this.placedCount = count
    this.sentCount = sentCount
    return { groups, commandIds }
  }

  private regroup(next: readonly Placed[], changed: ReadonlySet<GroupKey>): void {
    const drafts = new Map<GroupKey, GroupDraft>()
    for (const placed of next) {
      const key = this.keyOf(placed)
      if (key === null || !changed.has(key)) continue
      let draft = drafts.get(key)
      if (!draft) drafts.set(key, (draft = { trigger: placed.trigger, commands: [], relays: [] }))
      this.addTo(draft, placed)
    }
    for (const key of changed) {
      const draft = drafts.get(key)
      if (draft) this.groups.set(key, this.grouped(key, draft))
      else this.groups.delete(key)
    }
  }

  private addTo(
    { trigger, commands, relays }: GroupDraft,
    { commandId, sends, contextIds, then }: Placed,
  ): void {
    const whole = this.commands.get(commandId) as Command
    const there = commands.findIndex((c) => c.id === commandId)
    const known = commands[there]
    // the same command twice on one trigger is live wherever either placement has it
    const command = known ? merged(known, limitedTo(whole, contextIds)) : limitedTo(whole, contextIds)
    if (known) commands[there] = command
    else commands.push(command)
    // a chain on a plain key cannot be: the key sends nothing but itself
    if (sends || (then && 'code' in trigger))
      relays.push({
        command,
        sends: sends ?? [],
        ...(then && { then: then.flatMap((id) => this.commands.get(id) ?? []) }),
      })
  }

  private grouped(key: GroupKey, { trigger, commands, relays }: GroupDraft): Group {
    return {
      key,
      trigger,
      program: this.programs.get((commands[0] as Command).programId) as Program,
      commands: commands.sort((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1)),
      relays,
    }
  }
}

function merged(a: Command, b: Command): Command {
  if (a.contextIds.length === 0 || b.contextIds.length === 0) return a.contextIds.length === 0 ? a : b
  const added = b.contextIds.filter((id) => !a.contextIds.includes(id))
  return added.length === 0 ? a : { ...a, contextIds: [...a.contextIds, ...added] }
}
