import { fullName, type Command, type Program } from '../commands/index.js'
import { CoreError } from '../errors.js'
import type { Placement } from '../plan/index.js'
import { parseTrigger, triggerKey, type Chord } from '../triggers/index.js'
import { joinedCell, readCsv, splitCell, writeCsv, type BadLine, type CsvRow } from './csv.js'

const columns = ['id', 'program', 'command', 'trigger', 'sends', 'contexts', 'then', 'waitMs'] as const
type Column = (typeof columns)[number]

export interface PlacementImport {
  readonly placements: readonly Placement[]
  readonly bad: readonly BadLine[]
}

/** What a CSV gives and looks up: commands, and programs with their contexts. */
interface Names {
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
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

/**
 * Reads placements from CSV: a command, by id or by program and name, a trigger such as `Control+Shift+KeyU`, the chords
 * that a control sends, separated by spaces, contexts to which the placement is limited, and what a chain runs after it
 * (ids or names), separated by semicolons, with the wait between its chords in ms.
 * @throws CoreError as `readCsv` does; faults of a line are in `bad`
 */
export function readPlacementCsv(text: string, plan: Names, fileName = 'CSV'): PlacementImport {
  const placements: Placement[] = []
  const bad: BadLine[] = []
  const seen = new Set<string>()
  for (const { line, cells } of readCsv<Column>(text, columns, ['command', 'trigger'], fileName)) {
    try {
      const placement = placementOf(cells, plan)
      const key = `${placement.commandId} ${triggerKey(placement.trigger)}`
      if (!seen.has(key)) placements.push(placement)
      seen.add(key)
    } catch (error) {
      bad.push({ line, ...faultOf(error) })
    }
  }
  return { placements, bad }
}

/** Where and what: of a line's fault, or of a trigger that cannot be read. @throws anything else */
function faultOf(error: unknown): Omit<BadLine, 'line'> {
  if (error instanceof LineFault) return { column: error.column, message: error.message }
  if (!(error instanceof CoreError)) throw error
  const { where, what, remedy } = error.detail
  return { column: String(where[0]), message: `${what}; ${remedy}.` }
}

/** @throws LineFault, CoreError */
function placementOf(cells: Cells, plan: Names): Placement {
  const command = commandOf(cells, plan)
  const trigger = parseTrigger(cells.trigger)
  const sends = cells.sends.split(' ').filter(Boolean).map(readChord)
  const contextIds = splitCell(cells.contexts, ';').map((name) => contextIdOf(name, command, plan))
  const then = splitCell(cells.then, ';').map((name) => chainedIdOf(name, command, plan))
  const wait = cells.waitMs === '' ? undefined : Number(cells.waitMs)
  if (wait !== undefined && !(wait >= 0 && wait <= 5000))
    throw new LineFault('waitMs', `“${cells.waitMs}” is no number from 0 to 5000.`)
  return {
    commandId: command.id,
    trigger,
    ...(sends.length > 0 && { sends }),
    ...(contextIds.length > 0 && { contextIds }),
    ...(then.length > 0 && { then }),
    ...(wait !== undefined && { waitMs: wait }),
  }
}

/** @throws LineFault */
function commandOf(cells: Cells, { programs, commands }: Names): Command {
  const programOf = (c: Command): string =>
    programs.find((p) => p.id === c.programId)?.name.toLowerCase() ?? ''
  const found = commands.filter((c) =>
    cells.id !== ''
      ? c.id === cells.id
      : c.name.toLowerCase() === cells.command.toLowerCase() &&
        (cells.program === '' || programOf(c) === cells.program.toLowerCase()),
  )
  const [command] = found
  if (!command)
    throw new LineFault(
      cells.id === '' ? 'command' : 'id',
      `There is no command “${cells.id || cells.command}”; import the commands first.`,
    )
  if (found.length > 1)
    throw new LineFault(
      'command',
      `${found.length} commands are called “${cells.command}”; give the id (${found.map((c) => c.id).join(', ')}).`,
    )
  return command
}

/** @throws LineFault */
function contextIdOf(name: string, { programId }: Command, { programs }: Names): string {
  const program = programs.find((p) => p.id === programId)
  const context = program?.contexts.find((c) => c.name.toLowerCase() === name.toLowerCase() || c.id === name)
  if (context) return context.id
  throw new LineFault('contexts', `${program?.name ?? 'The program'} has no context “${name}”.`)
}

/** @throws LineFault */
function chainedIdOf(name: string, { programId }: Command, { commands }: Names): Command['id'] {
  const found =
    commands.find((c) => c.id === name) ??
    commands.find((c) => c.programId === programId && fullName(c).toLowerCase() === name.toLowerCase())
  if (found) return found.id
  throw new LineFault('then', `There is no command “${name}” in that program; import the commands first.`)
}

/** Placements as CSV; `readPlacementCsv` reads it back to the same placements. */
export function writePlacementCsv(placements: readonly Placement[], plan: Names): string {
  const commands = new Map(plan.commands.map((c) => [c.id, c]))
  const rows = placements.map((p) => {
    const command = commands.get(p.commandId)
    const program = plan.programs.find((x) => x.id === command?.programId)
    return [
      p.commandId,
      program?.name ?? '',
      command?.name ?? '',
      triggerKey(p.trigger),
      (p.sends ?? []).map(triggerKey).join(' '),
      joinedCell(p.contextIds ?? [], ';'),
      joinedCell(p.then ?? [], ';'),
      p.waitMs === undefined ? '' : String(p.waitMs),
    ]
  })
  return writeCsv(columns, rows)
}

/** @throws CoreError `TRIGGER_UNREADABLE`, `RELAY_NO_CHORD` */
function readChord(text: string): Chord {
  const trigger = parseTrigger(text, ['sends'])
  if (trigger.kind === 'chord') return trigger
  throw new CoreError('RELAY_NO_CHORD', {
    where: ['sends'],
    what: `"${text.slice(0, 60)}" cannot be read as a shortcut`,
    remedy: 'write combinations such as Control+KeyK, separated by spaces',
  })
}
