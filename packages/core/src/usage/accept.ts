import { entryOf } from '../table.js'
import type { CommandId } from '../ids.js'
import type { Command } from '../commands/index.js'
import type { UsageReport } from './collect.js'
import type { Routine, Usage } from './usage.js'

const maxFollowsKept = 400
const mostWeeks = 60

/** What a plan keeps of a report, and its commands with the uses an hour that the log shows; unused ones have none. */
export function acceptUsage(
  report: UsageReport,
  commands: readonly Command[],
): { readonly usage: Usage; readonly commands: readonly Command[] } {
  const counts = new Map(report.commands.map((c) => [c.commandId, c]))
  const programOf = new Map(commands.map((c) => [c.id, c.programId]))
  // a log of one program tells nothing of the others
  const told = new Set(report.commands.map((c) => programOf.get(c.commandId)))
  const perHour = (uses: number): number =>
    report.activeHours > 0 ? Math.round((uses / report.activeHours) * 100) / 100 : 0
  return {
    usage: {
      source: report.source.slice(0, 200),
      rows: report.goodRows,
      activeHours: report.activeHours,
      days: report.days,
      commands: Object.fromEntries(
        report.commands.map(({ commandId, uses, byMenu, byPointer, byContext }) => [
          commandId,
          { uses, byMenu, byPointer, ...(byContext && { byContext }) },
        ]),
      ),
      ...(report.weeks.length > 1 && {
        weeks: report.weeks.slice(-mostWeeks).map(({ monday, commands: of }) => ({
          monday,
          commands: Object.fromEntries(
            Object.entries(of).map(([id, n]) => [id, [...n] as [number, number, number]]),
          ),
        })),
      }),
      sequences: report.sequences.map(({ meanwhile, ...s }) => ({
        ...s,
        commandIds: [...s.commandIds],
        ...(meanwhile && { meanwhile: [...meanwhile] }),
      })),
      follows: report.follows.slice(0, maxFollowsKept).map((f) => ({ ...f })),
    },
    commands: commands.map((c) =>
      told.has(c.programId) ? withUses(c, perHour(counts.get(c.id)?.uses ?? 0)) : c,
    ),
  }
}

const withUses = ({ rateSpread: _before, ...command }: Command, usesPerHour: number): Command => ({
  ...command,
  usesPerHour: Math.min(100_000, usesPerHour),
})
/** A routine from a proposed sequence, to be edited and named. */
export const routineFrom = (
  sequence: UsageReport['sequences'][number] | Usage['sequences'][number],
  activeHours: number,
  id: string,
  name: string,
): Routine => ({
  id,
  name,
  programId: sequence.programId,
  steps: sequence.commandIds.map((commandId, k) => ({
    kind: 'command',
    commandId,
    ...(sequence.meanwhile?.includes(k) && { meanwhile: true as const }),
  })),
  timesPerHour: activeHours > 0 ? Math.round((sequence.support / activeHours) * 100) / 100 : 0,
})

/** How the menu is used beside an arrangement. */
export interface UsageFigures {
  readonly uses: number
  /** shares of all uses, 0 to 1 */
  readonly menuShare: number
  readonly pointerShare: number
  /** commands that were called from a menu though they have a trigger, most often first */
  readonly menuThoughPlaced: readonly {
    readonly command: Command
    readonly byMenu: number
    readonly perHour: number
  }[]
  /** commands that were called from a menu and have no trigger, most often first */
  readonly menuUnplaced: readonly {
    readonly command: Command
    readonly byMenu: number
    readonly perHour: number
  }[]
}

/** Uses of each command with their doubt, and what of the log could not be used. */
export function usageFigures(
  usage: Usage,
  commands: readonly Command[],
  hasTrigger: (commandId: CommandId) => boolean,
): UsageFigures {
  let uses = 0
  let menu = 0
  let pointer = 0
  const byMenu: { command: Command; byMenu: number; perHour: number }[] = []
  for (const command of commands) {
    const count = entryOf(usage.commands, command.id)
    if (!count) continue
    uses += count.uses
    menu += count.byMenu
    pointer += count.byPointer
    if (count.byMenu > 0)
      byMenu.push({
        command,
        byMenu: count.byMenu,
        perHour: usage.activeHours > 0 ? count.byMenu / usage.activeHours : 0,
      })
  }
  byMenu.sort((a, b) => b.byMenu - a.byMenu || (a.command.id < b.command.id ? -1 : 1))
  return {
    uses,
    menuShare: uses > 0 ? menu / uses : 0,
    pointerShare: uses > 0 ? pointer / uses : 0,
    menuThoughPlaced: byMenu.filter((m) => hasTrigger(m.command.id)),
    menuUnplaced: byMenu.filter((m) => !hasTrigger(m.command.id)),
  }
}
