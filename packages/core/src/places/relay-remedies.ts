import type { Clash } from '../clashes/index.js'
import type { Command, Program } from '../commands/index.js'
import { commandsMet, reservedBy, type PlaceIndex } from '../model/index.js'
import { chord, triggerName, type Chord, type Trigger } from '../triggers/index.js'
import type { Remedy } from './remedy.js'

/** A broken relay sends a chord that the command has, where it has one. */
export function repairedRelay(clash: Clash, command: Command, index: PlaceIndex): Remedy[] {
  if (clash.kind !== 'relay-broken') return []
  const reached = (index.triggers.get(command.id) ?? []).find(
    (t): t is Chord => t.kind === 'chord' && index.stages.system(t) === null,
  )
  if (!reached) return []
  const name = (trigger: Trigger): string => triggerName(trigger, index.env)
  return [
    {
      kind: 'relay',
      commandId: command.id,
      from: clash.trigger,
      sends: [reached],
      text: `Let ${name(clash.trigger)} send ${name(reached)}, which is “${command.name}”`,
    },
  ]
}

/** The command gets the chord that its control sends, or a free one that it sends from then on. */
export function boundRelay(clash: Clash, command: Command, index: PlaceIndex): Remedy[] {
  if (clash.kind !== 'relay-broken' || 'code' in clash.trigger) return []
  const program = index.env.programs.find((p) => p.id === command.programId)
  if (!program) return []
  const name = (trigger: Trigger): string => triggerName(trigger, index.env)
  const sends = clash.sends ?? []
  const [sent] = sends
  const isBindable = sent !== undefined && sends.length === 1 && isFreeChord(sent, command, program, index)
  const own: Remedy[] = isBindable
    ? [
        {
          kind: 'bind',
          commandId: command.id,
          from: clash.trigger,
          chord: sent,
          text: `Give “${command.name}” ${name(sent)} in ${program.name}, which ${name(clash.trigger)} sends`,
        },
      ]
    : []
  const free = sends.length > 1 ? null : freeChord(command, program, index)
  return free === null
    ? own
    : [
        ...own,
        {
          kind: 'bind',
          commandId: command.id,
          from: clash.trigger,
          chord: free,
          sends: [free],
          text: `Give “${command.name}” the free key ${name(free)} in ${program.name}, and let ${name(clash.trigger)} send it`,
        },
      ]
}

/** Keys that boards lack and systems leave alone, then levels that are rarely used. */
const rareChords: readonly Chord[] = [
  ...Array.from({ length: 12 }, (_, i) => chord(`F${i + 13}`)),
  ...Array.from({ length: 12 }, (_, i) => chord(`F${i + 13}`, ['Control'])),
  ...Array.from({ length: 12 }, (_, i) => chord(`F${i + 1}`, ['Control', 'Shift', 'Alt'])),
]

/** A chord that nothing takes and no command of the program has; null when all are taken. */
export const freeChord = (command: Command, program: Program, index: PlaceIndex): Chord | null =>
  rareChords.find((c) => isFreeChord(c, command, program, index)) ?? null

const isFreeChord = (sent: Chord, command: Command, program: Program, index: PlaceIndex): boolean =>
  reservedBy(sent, index, program) === null &&
  commandsMet(sent, index).every((c) => c.programId !== command.programId)
