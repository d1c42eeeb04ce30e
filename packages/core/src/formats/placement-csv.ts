import type { Command, Program } from '../commands/index.js'
import { CoreError } from '../errors.js'
import type { Placement } from '../plan/index.js'
import { parseTrigger, triggerKey, type Chord } from '../triggers/index.js'
import { readCsv, writeCsv, type BadLine } from './csv.js'

const columns = ['id', 'program', 'command', 'trigger', 'sends'] as const
type Column = (typeof columns)[number]

export interface PlacementImport {
  readonly placements: readonly Placement[]
  readonly bad: readonly BadLine[]
}

/**
 * Reads placements from CSV: a command, by id or by program and name, a trigger such as `Control+Shift+KeyU`, and the
 * chords that a control sends, separated by spaces.
 * @throws CoreError as `readCsv` does; faults of a line are in `bad`
 */
export function readPlacementCsv(
  text: string,
  plan: { readonly programs: readonly Program[]; readonly commands: readonly Command[] },
  fileName = 'CSV',
): PlacementImport {
  const placements: Placement[] = []
  const bad: BadLine[] = []
  const seen = new Set<string>()
  for (const { line, cells } of readCsv<Column>(text, columns, ['command', 'trigger'], fileName)) {
    const found = plan.commands.filter((c) =>
      cells.id !== ''
        ? c.id === cells.id
        : c.name.toLowerCase() === cells.command.toLowerCase() &&
          (cells.program === '' ||
            plan.programs.find((p) => p.id === c.programId)?.name.toLowerCase() ===
              cells.program.toLowerCase()),
    )
    const [command] = found
    if (!command) {
      bad.push({
        line,
        column: cells.id === '' ? 'command' : 'id',
        message: `There is no command “${cells.id || cells.command}”; import the commands first.`,
      })
      continue
    }
    if (found.length > 1) {
      bad.push({
        line,
        column: 'command',
        message: `${found.length} commands are called “${cells.command}”; give the id (${found.map((c) => c.id).join(', ')}).`,
      })
      continue
    }
    try {
      const trigger = parseTrigger(cells.trigger)
      const sends = cells.sends.split(' ').filter(Boolean).map(readChord)
      const key = `${command.id} ${triggerKey(trigger)}`
      if (!seen.has(key))
        placements.push({ commandId: command.id, trigger, ...(sends.length > 0 && { sends }) })
      seen.add(key)
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      bad.push({
        line,
        column: String(error.detail.where[0]),
        message: `${error.detail.what}; ${error.detail.remedy}.`,
      })
    }
  }
  return { placements, bad }
}

/** Placements as CSV; `readPlacementCsv` reads it back to the same placements. */
export function writePlacementCsv(
  placements: readonly Placement[],
  plan: { readonly programs: readonly Program[]; readonly commands: readonly Command[] },
): string {
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
