import { commandSchema, type Command, type Program } from '../commands/index.js'
import type { CommandId } from '../ids.js'
import { readAs } from '../issues.js'
import {
  activeArrangement,
  freshId,
  mergePlacements,
  type Arrangement,
  type Placement,
  type Plan,
  type TakeMode,
} from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import type { Entries, Entry, Unreadable } from './entries.js'

/** How a table is taken into a plan. */
export interface TakeOptions {
  /** program of rows that name none */
  readonly programName: string
  readonly mode: TakeMode
  /** as the programs' own keys, or in the arrangement in front */
  readonly as: 'defaults' | 'arrangement'
}

/** What happens to one command. */
export interface TakenCommand {
  readonly line: number
  readonly command: Command
  readonly status: 'new' | 'changed' | 'same'
  /** what is different, in words: `menu`, `uses`, `contexts`, `note` */
  readonly changes: readonly string[]
  readonly keysBefore: readonly Trigger[]
  readonly keysAfter: readonly Trigger[]
}

/** What a table would do to a plan. Nothing is changed before `plan` is taken over. */
export interface Taken {
  readonly plan: Plan
  readonly commands: readonly TakenCommand[]
  readonly unreadable: readonly Unreadable[]
  readonly keysRead: number
  readonly newPrograms: readonly string[]
  /** names of contexts that are made, with their program */
  readonly newContexts: readonly { readonly program: string; readonly context: string }[]
  /** keys that no rule lets in, since their command or key is locked, or the key must not be used */
  readonly held: readonly Placement[]
}

/** A command that rows of a table are about. */
interface Group {
  readonly program: Program
  readonly entries: Entry[]
}

const lower = (words: readonly string[]): string => words.map((w) => w.toLowerCase()).join('\n')

/** A plan with the commands and keys of a table in it, and what is different by it. */
export function takeTable(plan: Plan, read: Entries, options: TakeOptions): Taken {
  const programs = new ProgramBook(plan)
  const groups = groupsOf(read.entries, programs, options.programName)
  const commands = new Map<string, Command>(plan.commands.map((c) => [c.id, c]))
  const known = knownCommands(plan.commands)
  const ids = new Set<string>(commands.keys())
  const unreadable = [...read.unreadable]
  const made: { line: number; command: Command; before: Command | undefined; group: Group }[] = []
  for (const group of groups) {
    const before = commandOf(group, known)
    const command = commandFrom(group, before, programs, ids)
    const [first] = group.entries as [Entry]
    if ('why' in command) {
      unreadable.push({ line: first.line, text: first.name, why: command.why })
      continue
    }
    ids.add(command.id)
    commands.set(command.id, command)
    made.push({ line: first.line, command, before, group })
  }
  const withCommands: Plan = { ...plan, programs: programs.all(), commands: [...commands.values()] }
  const given = made.flatMap(({ command, group }) => placementsOf(command, group, programs))
  const target = targetOf(withCommands, options.as)
  const merged = mergePlacements(target.placements, given, options.mode, withCommands)
  const after: Plan = {
    ...withCommands,
    arrangements: withArrangement(withCommands.arrangements, {
      ...target,
      placements: [...merged.placements],
    }),
    activeArrangementId: options.as === 'arrangement' ? target.id : withCommands.activeArrangementId,
  }
  const keysOf = (placements: readonly Placement[]): Map<string, Trigger[]> => {
    const out = new Map<string, Trigger[]>()
    for (const p of placements) {
      const own = out.get(p.commandId)
      if (own) own.push(p.trigger)
      else out.set(p.commandId, [p.trigger])
    }
    return out
  }
  const [keysBefore, keysAfter] = [keysOf(target.placements), keysOf(merged.placements)]
  return {
    plan: after,
    commands: made.map(({ line, command, before }) => {
      const [was, is] = [keysBefore.get(command.id) ?? [], keysAfter.get(command.id) ?? []]
      const changes = before ? changesOf(before, command) : []
      const isSame = before !== undefined && changes.length === 0 && sameKeys(was, is)
      return {
        line,
        command,
        status: before === undefined ? 'new' : isSame ? 'same' : 'changed',
        changes,
        keysBefore: was,
        keysAfter: is,
      }
    }),
    unreadable: unreadable.sort((a, b) => a.line - b.line),
    keysRead: read.keysRead,
    newPrograms: programs.newPrograms(),
    newContexts: programs.newContexts(),
    held: merged.held,
  }
}

const sameKeys = (a: readonly Trigger[], b: readonly Trigger[]): boolean =>
  a.map(triggerKey).sort().join('\n') === b.map(triggerKey).sort().join('\n')

/** Programs of a plan, with those and the contexts that a table brings. */
class ProgramBook {
  private readonly programs: { id: Program['id']; contexts: Program['contexts']; name: string }[]
  private readonly made = new Set<string>()
  private readonly contexts: { program: string; context: string }[] = []
  constructor(plan: Plan) {
    this.programs = plan.programs.map((p) => ({ ...p, contexts: [...p.contexts] }))
  }
  named(name: string): Program {
    const found = this.programs.find((p) => p.name.toLowerCase() === name.toLowerCase())
    if (found) return found
    const program = {
      id: freshId(name, new Set(this.programs.map((p) => p.id))),
      name: name.slice(0, 120),
      // as most programs do
      restsWhileTyping: true,
      contexts: [],
    }
    this.programs.push(program)
    this.made.add(program.id)
    return program
  }
  contextId(program: Program, name: string): string {
    const own = program.contexts as { id: string; name: string; typing: boolean; overlaps: string[] }[]
    const found = own.find((c) => c.name.toLowerCase() === name.toLowerCase())
    if (found) return found.id
    const id = freshId(name, new Set(own.map((c) => c.id)))
    own.push({ id, name: name.slice(0, 120), typing: false, overlaps: [] })
    this.contexts.push({ program: program.name, context: name })
    return id
  }
  all(): Program[] {
    return this.programs.map((p) =>
      p.contexts.length > 0
        ? p
        : { ...p, contexts: [{ id: 'main', name: 'Main', typing: false, overlaps: [] }] },
    )
  }
  newPrograms = (): string[] => this.programs.filter((p) => this.made.has(p.id)).map((p) => p.name)
  newContexts = (): { program: string; context: string }[] => this.contexts
}

/** Rows of one command together: the same name and menu in the same program. */
function groupsOf(entries: readonly Entry[], programs: ProgramBook, programName: string): Group[] {
  const groups = new Map<string, Group>()
  for (const entry of entries) {
    const program = programs.named(entry.program || programName)
    const name = `${program.id}\n${entry.name.toLowerCase()}\n${lower(entry.menu)}`
    const group = groups.get(name)
    if (group) group.entries.push(entry)
    else groups.set(name, { program, entries: [entry] })
  }
  return [...groups.values()]
}

type KnownCommands = ReadonlyMap<string, readonly Command[]>

function knownCommands(commands: readonly Command[]): KnownCommands {
  const out = new Map<string, Command[]>()
  for (const c of commands) {
    const key = `${c.programId}\n${c.name.toLowerCase()}`
    out.set(key, [...(out.get(key) ?? []), c])
  }
  return out
}

/** The plan's command that rows are about: of that name and menu, or the only one of that name. */
function commandOf({ program, entries }: Group, known: KnownCommands): Command | undefined {
  const [first] = entries as [Entry]
  const named = known.get(`${program.id}\n${first.name.toLowerCase()}`) ?? []
  if (first.menu.length === 0) return named.length === 1 ? named[0] : named.find((c) => c.menu.length === 0)
  return (
    named.find((c) => lower(c.menu) === lower(first.menu)) ??
    // a menu path may have the command's own entry, or a table may tell the menu for the first time
    named.find((c) => lower(c.menu) === lower([...first.menu, first.name])) ??
    named.find((c) => c.menu.length === 0)
  )
}

function commandFrom(
  { program, entries }: Group,
  before: Command | undefined,
  programs: ProgramBook,
  ids: Set<string>,
): Command | { readonly why: string } {
  const [first] = entries as [Entry]
  const everywhere = entries.some((e) => e.context.length === 0)
  const contextIds = everywhere
    ? []
    : [...new Set(entries.flatMap((e) => e.context.map((name) => programs.contextId(program, name))))]
  const uses = entries.flatMap((e) => e.uses ?? [])
  const note = entries.find((e) => e.note !== '')?.note ?? ''
  const read = readAs(commandSchema, {
    ...before,
    id: before?.id ?? freshId(`${program.name} ${first.name}`, ids),
    programId: program.id,
    // what a table does not tell stays
    contextIds: everywhere && before ? before.contextIds : contextIds,
    name: before?.name ?? first.name,
    menu:
      first.menu.length > 0 && !(before && lower(before.menu) === lower([...first.menu, first.name]))
        ? first.menu
        : (before?.menu ?? []),
    usesPerHour: uses.length > 0 ? Math.max(...uses) : (before?.usesPerHour ?? 0),
    ...(note !== '' && { note }),
  })
  return 'data' in read ? read.data : { why: `${read.fault.what}` }
}

/** Placements of a command's rows; keys that only some of its modes have are limited to these. */
function placementsOf(command: Command, { program, entries }: Group, programs: ProgramBook): Placement[] {
  const where = new Map<
    string,
    { readonly trigger: Trigger; readonly contextIds: Set<string>; everywhere: boolean }
  >()
  for (const entry of entries)
    for (const trigger of entry.triggers) {
      const key = triggerKey(trigger)
      const at = where.get(key) ?? { trigger, contextIds: new Set<string>(), everywhere: false }
      if (entry.context.length === 0) at.everywhere = true
      for (const name of entry.context) at.contextIds.add(programs.contextId(program, name))
      where.set(key, at)
    }
  return [...where.values()].map(({ trigger, contextIds, everywhere }): Placement => {
    const all =
      everywhere || (command.contextIds.length > 0 && command.contextIds.every((id) => contextIds.has(id)))
    return { commandId: command.id, trigger, ...(!all && { contextIds: [...contextIds] }) }
  })
}

function changesOf(before: Command, after: Command): string[] {
  return [
    ...(lower(before.menu) === lower(after.menu) ? [] : ['menu']),
    ...(before.usesPerHour === after.usesPerHour ? [] : ['uses']),
    ...([...before.contextIds].sort().join() === [...after.contextIds].sort().join() ? [] : ['contexts']),
    ...(before.note === after.note ? [] : ['note']),
  ]
}

/** The arrangement that takes the keys: the defaults, or the one in front, of which defaults are copied first. */
function targetOf(plan: Plan, as: TakeOptions['as']): Arrangement {
  const front = activeArrangement(plan)
  if (as === 'defaults')
    return (
      plan.arrangements.find((a) => a.isDefault) ?? {
        id: freshId('defaults', new Set(plan.arrangements.map((a) => a.id))),
        name: 'Program defaults',
        isDefault: true,
        placements: [],
        popups: [],
        accepted: [],
      }
    )
  if (!front.isDefault) return front
  return {
    ...front,
    id: freshId('draft', new Set(plan.arrangements.map((a) => a.id))),
    name: 'Draft',
    isDefault: false,
    accepted: [],
  }
}

const withArrangement = (all: readonly Arrangement[], one: Arrangement): Arrangement[] =>
  all.some((a) => a.id === one.id) ? all.map((a) => (a.id === one.id ? one : a)) : [...all, one]

/** Codes of keys that are on no device of a plan, with the commands that they are for. */
export function missingKeys(
  { commands }: Pick<Taken, 'commands'>,
  codes: ReadonlySet<string>,
): { readonly code: string; readonly commandIds: readonly CommandId[] }[] {
  const out = new Map<string, CommandId[]>()
  for (const { command, keysAfter } of commands)
    for (const trigger of keysAfter) {
      const chords = trigger.kind === 'sequence' ? trigger.chords : 'code' in trigger ? [trigger] : []
      for (const { code } of chords)
        if (!codes.has(code)) out.set(code, [...(out.get(code) ?? []), command.id])
    }
  return [...out].map(([code, commandIds]) => ({ code, commandIds }))
}
