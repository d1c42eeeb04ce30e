import type { ProgramId } from '../ids.js'
import { readAs } from '../issues.js'
import { commandSchema, fullName, type Command, type Program } from '../commands/index.js'
import { freshId } from '../plan/index.js'
import { joinedCell, readCsv, splitCell, writeCsv, type BadLine, type CsvRow } from './csv.js'

const columns = [
  'id',
  'program',
  'contexts',
  'command',
  'menu',
  'usesPerHour',
  'opposite',
  'label',
  'note',
  'parameter',
  'kind',
  'damage',
  'wayOut',
  'siblings',
  'icon',
] as const
type Column = (typeof columns)[number]

/** What a CSV of commands would do to a plan. Nothing is changed until `programs` and `commands` are taken over. */
export interface CommandImport {
  readonly rows: readonly {
    readonly line: number
    readonly status: 'new' | 'changed' | 'same'
    readonly command: Command
  }[]
  readonly bad: readonly BadLine[]
  /** all programs and commands afterwards: those of the plan and those of the good lines */
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
}

const identity = (programId: ProgramId, name: string, menu: readonly string[], parameter: string): string =>
  JSON.stringify([programId, name.toLowerCase(), menu.map((m) => m.toLowerCase()), parameter.toLowerCase()])

const splitMenu = (cell: string): string[] => splitCell(cell, '>›')

/**
 * Reads commands from CSV. A line is matched with a command of the plan by id, else by program, name and menu.
 * New programs and contexts are made as they are named. Contexts are separated by semicolons; none means everywhere.
 * @throws CoreError as `readCsv` does, for faults of the whole file; faults of a line are in `bad`
 */
export function readCommandCsv(
  text: string,
  plan: { readonly programs: readonly Program[]; readonly commands: readonly Command[] },
  fileName = 'CSV',
): CommandImport {
  const rows = readCsv<Column>(text, columns, ['program', 'command'], fileName)
  const reader = new CommandReader(plan)
  for (const row of rows) reader.readLine(row)
  return reader.finish()
}

/** A line that is read, with the names that can only be looked up when all lines are. */
interface ReadLine {
  readonly line: number
  readonly command: Command
  readonly opposite: string
  readonly siblings: readonly string[]
}

/** What is wrong with a line, and in which column. */
class LineFault extends Error {
  constructor(
    readonly column: Column,
    message: string,
  ) {
    super(message)
  }
}

type Cells = CsvRow<Column>['cells']

class CommandReader {
  private readonly bad: BadLine[] = []
  private readonly programs: Program[]
  private readonly commands: Map<string, Command>
  private readonly byIdentity: Map<string, string>
  private readonly programIds: Set<string>
  private readonly commandIds: Set<string>
  private readonly lineOf = new Map<string, number>()
  private readonly read: ReadLine[] = []

  constructor(
    private readonly plan: { readonly programs: readonly Program[]; readonly commands: readonly Command[] },
  ) {
    this.programs = plan.programs.map((p) => ({ ...p, contexts: [...p.contexts] }))
    this.commands = new Map(plan.commands.map((c) => [c.id, c]))
    this.byIdentity = new Map(
      plan.commands.map((c) => [identity(c.programId, c.name, c.menu, c.parameter ?? ''), c.id]),
    )
    this.programIds = new Set(this.programs.map((p) => p.id))
    this.commandIds = new Set(this.commands.keys())
  }

  readLine({ line, cells }: CsvRow<Column>): void {
    try {
      this.read.push(this.lineOfCells(line, cells))
    } catch (error) {
      if (!(error instanceof LineFault)) throw error
      this.bad.push({ line, column: error.column, message: error.message })
    }
  }

  finish(): CommandImport {
    for (const program of this.programs) if (program.contexts.length === 0) contextNamed(program, 'Main')
    const rows = this.read.map((read) => this.linked(read))
    return {
      rows,
      bad: this.bad.sort((a, b) => a.line - b.line),
      programs: this.programs,
      commands: [...this.commands.values()],
    }
  }

  /** @throws LineFault */
  private lineOfCells(line: number, cells: Cells): ReadLine {
    if (cells.program === '') throw new LineFault('program', 'The program is missing.')
    if (cells.command === '') throw new LineFault('command', 'The name of the command is missing.')
    const uses = usesOf(cells.usesPerHour)
    const known = this.programs.find((p) => p.name.toLowerCase() === cells.program.toLowerCase())
    const id = this.idOf(cells, known, line)
    const before = this.commands.get(id)
    const contexts = contextNames(cells.contexts)
    const given = checked(cells, id, known?.id ?? 'new', uses, before)
    const tooLong = [cells.program, ...contexts].find((name) => name.length > 120)
    if (tooLong !== undefined)
      throw new LineFault('program', `The name “${tooLong.slice(0, 30)}…” is longer than 120 characters.`)
    // Only now, when the line is known to be good, are programs and contexts made for it.
    const program = known ?? this.newProgram(cells.program)
    const contextIds = contexts.map((name) => contextNamed(program, name))
    const command = {
      ...given,
      programId: program.id,
      contextIds: cells.contexts === '' && before ? before.contextIds : contextIds,
    }
    this.commandIds.add(id)
    this.lineOf.set(id, line)
    this.byIdentity.set(identity(program.id, command.name, command.menu, command.parameter ?? ''), id)
    this.commands.set(id, command)
    return { line, command, opposite: cells.opposite, siblings: listed(cells.siblings) }
  }

  /** The id of the line's command: as given, of the command that it names, or a new one. */
  private idOf(cells: Cells, program: Program | undefined, line: number): string {
    const named =
      program &&
      this.byIdentity.get(identity(program.id, cells.command, splitMenu(cells.menu), cells.parameter))
    const known = this.commands.get(cells.id !== '' ? cells.id : (named ?? ''))
    const id = cells.id || known?.id || freshId(`${cells.program} ${cells.command}`, new Set(this.commandIds))
    const earlier = this.lineOf.get(id)
    if (earlier === undefined || earlier === line) return id
    throw new LineFault(
      'command',
      `This command stands in line ${earlier} already; give one of them another menu path, a parameter or an id.`,
    )
  }

  private newProgram(name: string): Program {
    const program = { id: freshId(name, this.programIds), name, contexts: [] }
    this.programs.push(program)
    return program
  }

  /** The line's command with its opposite and its siblings; names that are not found are told, and left out. */
  private linked({ line, command, opposite, siblings }: ReadLine): CommandImport['rows'][number] {
    const own = [...this.commands.values()].filter(
      (c) => c.programId === command.programId && c.id !== command.id,
    )
    const unknown = (column: 'opposite' | 'siblings', name: string): void => {
      const message = `There is no command “${name}” in that program; the rest of the line is kept.`
      this.bad.push({ line, column, message })
    }
    let final = command
    if (opposite !== '') {
      const found = own.filter((c) => c.name.toLowerCase() === opposite.toLowerCase())
      const inContext = found.find((c) => c.contextIds.join() === command.contextIds.join()) ?? found[0]
      if (inContext) final = { ...final, oppositeId: inContext.id }
      else unknown('opposite', opposite)
    }
    const siblingIds = siblings.flatMap((name) => {
      const found = own.find((c) => c.id === name || fullName(c).toLowerCase() === name.toLowerCase())
      if (!found) unknown('siblings', name)
      return found?.id ?? []
    })
    if (siblingIds.length > 0) final = { ...final, siblingIds }
    this.commands.set(final.id, final)
    const before = this.plan.commands.find((c) => c.id === final.id)
    return { line, status: !before ? 'new' : sameCommand(before, final) ? 'same' : 'changed', command: final }
  }
}

/** @throws LineFault */
function usesOf(cell: string): number | null {
  if (cell === '') return null
  const uses = Number(cell.replace(',', '.'))
  if (uses >= 0 && uses <= 100_000) return uses
  throw new LineFault('usesPerHour', `“${cell}” is no number from 0 to 100000.`)
}

const listed = (cell: string): string[] => splitCell(cell, ';')

/** Contexts in one cell; a context of that name is told from the word for all of them. */
function contextsCell(names: readonly string[]): string {
  if (names.length === 0) return 'everywhere'
  const cell = joinedCell(names, ';')
  return cell.toLowerCase() === 'everywhere' ? `${cell};` : cell
}

const contextNames = (cell: string): string[] => (cell.toLowerCase() === 'everywhere' ? [] : listed(cell))

/** The command of a line, without program and contexts. @throws LineFault */
function checked(
  cells: Cells,
  id: string,
  programId: ProgramId,
  uses: number | null,
  before: Command | undefined,
): Command {
  const read = readAs(commandSchema, {
    ...before,
    id,
    programId,
    contextIds: [],
    name: cells.command,
    menu: cells.menu === '' && before ? before.menu : splitMenu(cells.menu),
    usesPerHour: uses ?? before?.usesPerHour ?? 0,
    ...(cells.label !== '' && { label: cells.label }),
    ...(cells.note !== '' && { note: cells.note }),
    ...(cells.parameter !== '' && { parameter: cells.parameter }),
    ...(cells.kind !== '' && { kind: cells.kind }),
    ...(cells.damage !== '' && { damage: { level: cells.damage, wayOut: cells.wayOut } }),
    ...(cells.icon !== '' && { icon: cells.icon }),
  })
  if ('data' in read) return read.data
  const column = columns.find((c) => c === String(read.fault.path[0])) ?? 'command'
  throw new LineFault(column, `${read.fault.what}.`)
}

function contextNamed(program: { contexts: Program['contexts'] }, name: string): string {
  const known = program.contexts.find((c) => c.name.toLowerCase() === name.toLowerCase())
  if (known) return known.id
  const id = freshId(name, new Set(program.contexts.map((c) => c.id)))
  program.contexts.push({ id, name, typing: false, overlaps: [] })
  return id
}

const sameCommand = (a: Command, b: Command): boolean => {
  const canonical = (c: Command): string =>
    JSON.stringify(Object.entries(c).sort(([x], [y]) => (x < y ? -1 : 1)))
  return canonical(a) === canonical(b)
}

/** All commands as CSV; `readCommandCsv` reads it back to the same commands. */
export function writeCommandCsv(plan: {
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
}): string {
  const names = new Map(plan.commands.map((c) => [c.id, c.name]))
  const rows = plan.commands.map((c) => {
    const program = plan.programs.find((p) => p.id === c.programId)
    const contexts = c.contextIds.map((id) => program?.contexts.find((x) => x.id === id)?.name ?? id)
    const cells: Record<Column, string | number> = {
      id: c.id,
      program: program?.name ?? c.programId,
      contexts: contextsCell(contexts),
      command: c.name,
      menu: joinedCell(c.menu, '>'),
      usesPerHour: c.usesPerHour,
      opposite: names.get(c.oppositeId ?? '') ?? '',
      label: c.label ?? '',
      note: c.note ?? '',
      parameter: c.parameter ?? '',
      kind: c.kind ?? '',
      damage: c.damage?.level ?? '',
      wayOut: c.damage?.wayOut ?? '',
      siblings: (c.siblingIds ?? []).join(';'),
      icon: c.icon ?? '',
    }
    return columns.map((column) => cells[column])
  })
  return writeCsv(columns, rows)
}
