import { commandSchema, fullName, type Command, type Program } from '../commands/index.js'
import { freshId } from '../plan/index.js'
import { readCsv, writeCsv, type BadLine } from './csv.js'

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

const identity = (programId: string, name: string, menu: readonly string[], parameter: string): string =>
  [programId, name.toLowerCase(), menu.join('>').toLowerCase(), parameter.toLowerCase()].join('\n')

const splitMenu = (cell: string): string[] =>
  cell
    .split(/[>›]/)
    .map((part) => part.trim())
    .filter(Boolean)

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
  const bad: BadLine[] = []
  const programs = plan.programs.map((p) => ({ ...p, contexts: [...p.contexts] }))
  const commands = new Map(plan.commands.map((c) => [c.id, c]))
  const byIdentity = new Map(
    plan.commands.map((c) => [identity(c.programId, c.name, c.menu, c.parameter ?? ''), c.id]),
  )
  const programIds = new Set(programs.map((p) => p.id))
  const commandIds = new Set(commands.keys())
  const lineOf = new Map<string, number>()
  const read: { line: number; command: Command; opposite: string; siblings: readonly string[] }[] = []

  for (const { line, cells } of rows) {
    const fault = (column: Column, message: string): void => void bad.push({ line, column, message })
    if (cells.program === '') {
      fault('program', 'The program is missing.')
      continue
    }
    if (cells.command === '') {
      fault('command', 'The name of the command is missing.')
      continue
    }
    const uses = cells.usesPerHour === '' ? null : Number(cells.usesPerHour.replace(',', '.'))
    if (uses !== null && !(uses >= 0 && uses <= 100_000)) {
      fault('usesPerHour', `“${cells.usesPerHour}” is no number from 0 to 100000.`)
      continue
    }
    let program = programs.find((p) => p.name.toLowerCase() === cells.program.toLowerCase())
    const menu = splitMenu(cells.menu)
    const known =
      cells.id !== ''
        ? commands.get(cells.id)
        : program &&
          commands.get(byIdentity.get(identity(program.id, cells.command, menu, cells.parameter)) ?? '')
    const id = cells.id || known?.id || freshId(`${cells.program} ${cells.command}`, new Set(commandIds))
    const earlier = lineOf.get(id) ?? (known ? lineOf.get(known.id) : undefined)
    if (earlier !== undefined) {
      fault(
        'command',
        `This command stands in line ${earlier} already; give one of them another menu path, a parameter or an id.`,
      )
      continue
    }
    const before = commands.get(id)
    const contextNames =
      cells.contexts.toLowerCase() === 'everywhere'
        ? []
        : cells.contexts
            .split(';')
            .map((n) => n.trim())
            .filter(Boolean)
    const candidate = commandSchema.safeParse({
      ...before,
      id,
      programId: program?.id ?? 'new',
      contextIds: [],
      name: cells.command,
      menu: cells.menu === '' && before ? before.menu : menu,
      usesPerHour: uses ?? before?.usesPerHour ?? 0,
      ...(cells.label !== '' && { label: cells.label }),
      ...(cells.note !== '' && { note: cells.note }),
      ...(cells.parameter !== '' && { parameter: cells.parameter }),
      ...(cells.kind !== '' && { kind: cells.kind }),
      ...(cells.damage !== '' && { damage: { level: cells.damage, wayOut: cells.wayOut } }),
      ...(cells.icon !== '' && { icon: cells.icon }),
    })
    if (!candidate.success) {
      const issue = candidate.error.issues[0]
      const field = String(issue?.path[0] ?? 'command')
      fault(
        (columns as readonly string[]).includes(field) ? (field as Column) : 'command',
        `${issue?.message ?? 'Not valid'}.`,
      )
      continue
    }
    const tooLong = [cells.program, ...contextNames].find((name) => name.length > 120)
    if (tooLong !== undefined) {
      fault('program', `The name “${tooLong.slice(0, 30)}…” is longer than 120 characters.`)
      continue
    }
    // Only now, when the line is known to be good, are programs and contexts made for it.
    if (!program) {
      program = { id: freshId(cells.program, programIds), name: cells.program, contexts: [] }
      programs.push(program)
    }
    const contextIds = contextNames.map((name) => contextNamed(program, name))
    const command = {
      ...candidate.data,
      programId: program.id,
      contextIds: cells.contexts === '' && before ? before.contextIds : contextIds,
    }
    commandIds.add(id)
    lineOf.set(id, line)
    byIdentity.set(identity(program.id, command.name, command.menu, command.parameter ?? ''), id)
    commands.set(id, command)
    read.push({
      line,
      command,
      opposite: cells.opposite,
      siblings: cells.siblings
        .split(';')
        .map((n) => n.trim())
        .filter(Boolean),
    })
  }
  for (const program of programs) if (program.contexts.length === 0) contextNamed(program, 'Main')

  const rowsOut = read.map(({ line, command, opposite, siblings }) => {
    let final = command
    if (opposite !== '') {
      const found = [...commands.values()].filter(
        (c) =>
          c.programId === command.programId &&
          c.name.toLowerCase() === opposite.toLowerCase() &&
          c.id !== command.id,
      )
      const inContext = found.find((c) => c.contextIds.join() === command.contextIds.join()) ?? found[0]
      if (inContext) final = { ...command, oppositeId: inContext.id }
      else
        bad.push({
          line,
          column: 'opposite',
          message: `There is no command “${opposite}” in that program; the rest of the line is kept.`,
        })
    }
    const siblingIds = siblings.flatMap((name) => {
      const found = [...commands.values()].find(
        (c) =>
          c.programId === command.programId &&
          c.id !== command.id &&
          (c.id === name || fullName(c).toLowerCase() === name.toLowerCase()),
      )
      if (!found)
        bad.push({
          line,
          column: 'siblings',
          message: `There is no command “${name}” in that program; the rest of the line is kept.`,
        })
      return found?.id ?? []
    })
    if (siblingIds.length > 0) final = { ...final, siblingIds }
    commands.set(final.id, final)
    const before = plan.commands.find((c) => c.id === final.id)
    const status = !before ? 'new' : sameCommand(before, final) ? 'same' : 'changed'
    return { line, status, command: final } as const
  })
  return {
    rows: rowsOut,
    bad: bad.sort((a, b) => a.line - b.line),
    programs,
    commands: [...commands.values()],
  }
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
      contexts: contexts.length > 0 ? contexts.join(';') : 'everywhere',
      command: c.name,
      menu: c.menu.join(' > '),
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
