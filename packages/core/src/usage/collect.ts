import type { CommandId, ProgramId } from '../ids.js'
import { fullName, liveContexts, type Command, type Program } from '../commands/index.js'
import { frequentSequences } from './sequences.js'
import { isoTimeMs } from './time.js'
import { dayMs, weeksOf, type WeekOfUse } from './weeks.js'

export const invocations = ['menu', 'pointer', 'key'] as const
type Invocation = (typeof invocations)[number]

/** A row that cannot be used, and why. */
export interface BadRow {
  readonly line: number
  readonly reason: string
}

/** A command that the log names and the plan does not have. */
export interface UnknownCommand {
  readonly program: string
  readonly context: string
  readonly command: string
  readonly rows: number
}

/** What a log tells. Nothing of it is in the plan before `acceptUsage`. */
export interface UsageReport {
  readonly source: string
  readonly goodRows: number
  readonly badRows: number
  /** the first of the bad rows */
  readonly bad: readonly BadRow[]
  /** how many rows have each reason, most first */
  readonly reasons: readonly { readonly reason: string; readonly rows: number; readonly firstLine: number }[]
  readonly unknown: readonly UnknownCommand[]
  readonly activeHours: number
  /** days with at least one row, by the log's own clock */
  readonly days: number
  readonly sessions: number
  readonly commands: readonly ({
    readonly commandId: CommandId
    readonly uses: number
    /** by context id, where the log names contexts */
    readonly byContext?: Readonly<Record<string, number>>
  } & Readonly<Record<'byMenu' | 'byPointer' | 'byKey', number>>)[]
  readonly follows: readonly { readonly from: string; readonly to: string; readonly uses: number }[]
  /** the earliest first */
  readonly weeks: readonly WeekOfUse[]
  readonly sequences: readonly {
    readonly programId: ProgramId
    readonly commandIds: readonly CommandId[]
    readonly support: number
    /** positions, from 1, of commands by pointer that come sooner after a key than pointing takes: both hands at once */
    readonly meanwhile?: readonly number[]
  }[]
}

/** A pause longer than this ends a sitting and does not count as work, ms. Assumed. */
const pauseMs = 5 * 60_000
const maxBadListed = 500
const maxUnknownListed = 500
const maxFollows = 1000

/** Pairs are told by what follows what; a routine has at least three steps. */
const sequenceOptions = { minLength: 3, maxLength: 8, limit: 40 } as const
/** A sequence that is worth a routine occurs at least this often in a log, and in this share of its rows. Assumed. */
const leastSupport = { times: 8, share: 0.0005 } as const

/** A growing list of numbers that costs no more memory than they need. */
class Column<A extends Int32Array | Float64Array | Uint8Array> {
  length = 0
  private data: A
  private readonly make: (size: number) => A
  constructor(make: (size: number) => A) {
    this.make = make
    this.data = make(1024)
  }
  push(value: number): void {
    if (this.length === this.data.length) {
      const larger = this.make(this.data.length * 2)
      larger.set(this.data)
      this.data = larger
    }
    this.data[this.length++] = value
  }
  values(): A {
    return this.data.subarray(0, this.length) as A
  }
}

type Resolved = number | string

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase()
const isNamed = (one: { readonly id: string; readonly name: string }, name: string): boolean =>
  one.id === name || same(one.name, name)

/** Takes rows one by one; gives counts, what follows what, and sequences at the end. */
export class UsageCollector {
  private readonly programs: readonly Program[]
  private readonly commands: readonly Command[]
  private readonly times = new Column((size) => new Float64Array(size))
  private readonly ids = new Column((size) => new Int32Array(size))
  private readonly how = new Column((size) => new Uint8Array(size))
  private inOrder = true
  private lastTime = -Infinity
  private badRows = 0
  private readonly bad: BadRow[] = []
  private readonly reasons = new Map<string, { rows: number; firstLine: number }>()
  private readonly unknown = new Map<
    string,
    { program: string; context: string; command: string; rows: number }
  >()
  /** what the words of a row stand for: the number of a command, or why there is none */
  private readonly resolved = new Map<string, Map<string, Map<string, Resolved>>>()

  private lastProgram = ''
  private lastContext = ''
  private lastCommands: Map<string, Resolved> | undefined
  /** uses by the number of the command, for each context that the log names; of the row's own one */
  private readonly byContext = new Map<string, Map<number, number>>()
  private inContext: Map<number, number> | undefined

  constructor(plan: { readonly programs: readonly Program[]; readonly commands: readonly Command[] }) {
    this.programs = plan.programs
    this.commands = plan.commands
  }

  get rows(): number {
    return this.ids.length + this.badRows
  }

  add(line: number, time: string, program: string, context: string, command: string, how: string): void {
    const found = this.known(program, context, command)
    if (typeof found === 'string') {
      const missing = this.unknown.get(`${program}\n${context}\n${command}`)
      if (missing) missing.rows++
      this.addBad(line, found)
      return
    }
    const timeMs = isoTimeMs(time)
    if (Number.isNaN(timeMs)) return this.addBad(line, 'The time is not written as 2026-05-04T09:30:00.')
    const by = invocations.indexOf(how as Invocation)
    if (by === -1) return this.addBad(line, '“how” must be menu, pointer or key.')
    if (timeMs < this.lastTime) this.inOrder = false
    this.lastTime = timeMs
    this.times.push(timeMs)
    this.ids.push(found)
    this.how.push(by)
    this.inContext?.set(found, (this.inContext.get(found) ?? 0) + 1)
  }

  addBad(line: number, reason: string): void {
    this.badRows++
    if (this.bad.length < maxBadListed) this.bad.push({ line, reason })
    const known = this.reasons.get(reason)
    if (known) known.rows++
    else this.reasons.set(reason, { rows: 1, firstLine: line })
  }

  /** Looked up word by word, since joining the words of a million rows costs more than the rest of the row. */
  private known(program: string, context: string, command: string): Resolved {
    // most rows are of the program and context of the row before
    let commands =
      program === this.lastProgram && context === this.lastContext ? this.lastCommands : undefined
    if (!commands) {
      let contexts = this.resolved.get(program)
      if (!contexts) this.resolved.set(program, (contexts = new Map()))
      commands = contexts.get(context)
      if (!commands) contexts.set(context, (commands = new Map()))
      this.lastProgram = program
      this.lastContext = context
      this.lastCommands = commands
      this.inContext = this.countsOf(program, context)
    }
    let found = commands.get(command)
    if (found === undefined) commands.set(command, (found = this.resolve(program, context, command)))
    return found
  }

  /** The counts of a context, by its id; undefined where the log names none that is known. */
  private countsOf(programName: string, contextName: string): Map<number, number> | undefined {
    const program = this.programs.find((p) => isNamed(p, programName))
    const context = program?.contexts.find((c) => isNamed(c, contextName))
    if (!program || !context) return undefined
    const key = `${program.id}\n${context.id}`
    let counts = this.byContext.get(key)
    if (!counts) this.byContext.set(key, (counts = new Map()))
    return counts
  }

  private resolve(programName: string, contextName: string, name: string): Resolved {
    const miss = (reason: string): string => {
      if (programName !== '' && name !== '' && programName.length <= 120 && name.length <= 120)
        this.unknown.set(`${programName}\n${contextName}\n${name}`, {
          program: programName,
          context: contextName,
          command: name,
          rows: 0,
        })
      return reason
    }
    if (name === '') return 'The command is missing.'
    const program = this.programs.find((p) => isNamed(p, programName))
    if (!program)
      return programName === ''
        ? 'The program is missing.'
        : miss(`There is no program “${programName.slice(0, 60)}”.`)
    const context = program.contexts.find((c) => isNamed(c, contextName))
    if (contextName !== '' && !context)
      return `There is no context “${contextName.slice(0, 60)}” in ${program.name}.`
    const named = this.commands.filter(
      (c) => c.programId === program.id && (c.id === name || same(c.name, name) || same(fullName(c), name)),
    )
    const live = context ? named.filter((c) => liveContexts(c, program).includes(context.id)) : named
    if (named.length === 0) return miss(`${program.name} has no command “${name.slice(0, 60)}”.`)
    if (live.length === 0) return `“${name.slice(0, 60)}” is not live in ${contextName}.`
    if (live.length > 1)
      return `${live.length} commands are called “${name.slice(0, 60)}”; give the id or the context.`
    return this.commands.indexOf(live[0] as Command)
  }

  finish(source: string): UsageReport {
    const order = this.inOrder ? null : byTime(this.times.values())
    const ids = permuted(this.ids.values(), order)
    const times = permuted(this.times.values(), order)
    const how = permuted(this.how.values(), order)
    const size = this.commands.length
    const counts = invocations.map(() => new Int32Array(size))
    const follows = new Map<number, number>()
    let activeMs = 0
    const days = new Set<number>()
    for (const time of times) days.add(Math.floor(time / dayMs))
    let sessions = ids.length > 0 ? 1 : 0
    for (let i = 0; i < ids.length; i++) {
      const id = ids[i] as number
      const tally = counts[how[i] as number] as Int32Array
      tally[id] = (tally[id] as number) + 1
      if (i === 0) continue
      const gap = (times[i] as number) - (times[i - 1] as number)
      if (gap > pauseMs) {
        sessions++
        continue
      }
      activeMs += gap
      const key = (ids[i - 1] as number) * size + id
      follows.set(key, (follows.get(key) ?? 0) + 1)
    }
    const idOf = (number: number): string => (this.commands[number] as Command).id
    const [byMenu, byPointer, byKey] = counts as [Int32Array, Int32Array, Int32Array]
    const used = this.commands.flatMap((command, i) => {
      const parts = {
        byMenu: byMenu[i] as number,
        byPointer: byPointer[i] as number,
        byKey: byKey[i] as number,
      }
      const uses = parts.byMenu + parts.byPointer + parts.byKey
      const contexts = [...this.byContext].flatMap(([key, of]): [string, number][] =>
        key.startsWith(`${command.programId}\n`) && of.has(i)
          ? [[key.slice(command.programId.length + 1), of.get(i) as number]]
          : [],
      )
      const byContext = contexts.length > 0 ? { byContext: Object.fromEntries(contexts) } : {}
      return uses > 0 ? [{ commandId: command.id, uses, ...parts, ...byContext }] : []
    })
    return {
      source,
      goodRows: ids.length,
      badRows: this.badRows,
      bad: this.bad,
      reasons: [...this.reasons]
        .map(([reason, r]) => ({ reason, ...r }))
        .sort((a, b) => b.rows - a.rows || a.firstLine - b.firstLine),
      unknown: [...this.unknown.values()].sort((a, b) => b.rows - a.rows).slice(0, maxUnknownListed),
      activeHours: activeMs / 3_600_000,
      days: days.size,
      sessions,
      commands: used.sort((a, b) => b.uses - a.uses || (a.commandId < b.commandId ? -1 : 1)),
      follows: [...follows]
        .sort(([ka, a], [kb, b]) => b - a || ka - kb)
        .slice(0, maxFollows)
        .map(([key, uses]) => ({ from: idOf(Math.floor(key / size)), to: idOf(key % size), uses })),
      weeks: weeksOf(ids, times, how, idOf),
      sequences: this.sequences(ids, times, overlaps(ids, times, how, size)),
    }
  }

  /** Sequences within one sitting in one program. */
  private sequences(
    ids: Int32Array,
    times: Float64Array,
    isOverlap: (from: number, to: number) => boolean,
  ): UsageReport['sequences'] {
    const programOf = this.commands.map((c) => this.programs.findIndex((p) => p.id === c.programId))
    const events: Column<Int32Array> = new Column((size) => new Int32Array(size))
    for (let i = 0; i < ids.length; i++) {
      const breaks =
        i > 0 &&
        ((times[i] as number) - (times[i - 1] as number) > pauseMs ||
          programOf[ids[i] as number] !== programOf[ids[i - 1] as number])
      if (breaks) events.push(-1)
      events.push(ids[i] as number)
    }
    const minSupport = Math.max(leastSupport.times, Math.ceil(ids.length * leastSupport.share))
    return frequentSequences(events.values(), { ...sequenceOptions, minSupport }).map((s) => {
      const meanwhile = s.ids.flatMap((id, k) => (k > 0 && isOverlap(s.ids[k - 1] as number, id) ? [k] : []))
      return {
        programId: (this.commands[s.ids[0] as number] as Command).programId,
        commandIds: s.ids.map((i) => (this.commands[i] as Command).id),
        support: s.support,
        ...(meanwhile.length > 0 && { meanwhile }),
      }
    })
  }
}

/** Pointing to something and clicking on it, ms: operators P and B of the keystroke-level model (see `docs/sources.md`). */
const pointingMs = 1200
/** Fewer than this show nothing. Assumed. */
const leastShown = 8

/**
 * Pairs of commands of which the second is given by the pointer so soon after the first, by key, that the pointing must
 * have begun before the key was pressed: half of the gaps are shorter than pointing takes. Clocks of whole seconds show
 * nothing.
 */
function overlaps(
  ids: Int32Array,
  times: Float64Array,
  how: Uint8Array,
  size: number,
): (from: number, to: number) => boolean {
  const [pointer, key] = [invocations.indexOf('pointer'), invocations.indexOf('key')]
  const gaps = new Map<number, { all: number; short: number }>()
  let hasParts = false
  for (let i = 1; i < ids.length; i++) {
    const gap = (times[i] as number) - (times[i - 1] as number)
    hasParts ||= gap % 1000 !== 0
    if (how[i] !== pointer || how[i - 1] !== key || gap > pauseMs) continue
    const pair = (ids[i - 1] as number) * size + (ids[i] as number)
    const counted = gaps.get(pair)
    if (!counted) gaps.set(pair, { all: 1, short: Number(gap < pointingMs) })
    else {
      counted.all++
      if (gap < pointingMs) counted.short++
    }
  }
  return (from, to) => {
    const counted = hasParts ? gaps.get(from * size + to) : undefined
    return counted !== undefined && counted.all >= leastShown && counted.short * 2 > counted.all
  }
}

/** Positions by time; rows of the same time keep the order of the log. */
const byTime = (times: Float64Array): Int32Array =>
  Int32Array.from(times, (_, i) => i).sort((a, b) => (times[a] as number) - (times[b] as number) || a - b)

function permuted<A extends Int32Array | Float64Array | Uint8Array>(values: A, order: Int32Array | null): A {
  if (!order) return values
  const out = values.slice() as A
  for (let i = 0; i < order.length; i++) out[i] = values[order[i] as number] as number
  return out
}
