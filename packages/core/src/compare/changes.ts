import type { Command } from '../commands/index.js'
import { relearnUses } from '../work/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import type { OwnLearning, Placed } from '../plan/index.js'

export const changeKinds = ['added', 'moved', 'swapped', 'removed'] as const
/** Of one command between two arrangements; swapped: two commands that have taken each other's place. */
export type ChangeKind = (typeof changeKinds)[number]

/** What became of a command between two arrangements. */
export interface Change {
  readonly command: Command
  readonly kind: ChangeKind
  /** triggers that it has no more, and those that are new */
  readonly from: readonly Trigger[]
  readonly to: readonly Trigger[]
}

function triggersById(placements: readonly Placed[]): Map<string, Map<string, Trigger>> {
  const out = new Map<string, Map<string, Trigger>>()
  for (const { commandId, trigger } of placements) {
    const own = out.get(commandId) ?? new Map<string, Trigger>()
    own.set(triggerKey(trigger), trigger)
    out.set(commandId, own)
  }
  return out
}

/** What changes from one arrangement to another, most used first. Commands that stay are left out. */
export function changesBetween(
  before: readonly Placed[],
  after: readonly Placed[],
  commands: readonly Command[],
): Change[] {
  const was = triggersById(before)
  const is = triggersById(after)
  const none = new Map<string, Trigger>()
  const changes = commands.flatMap((command): Change[] => {
    const old = was.get(command.id) ?? none
    const now = is.get(command.id) ?? none
    const from = [...old].flatMap(([key, t]) => (now.has(key) ? [] : [t]))
    const to = [...now].flatMap(([key, t]) => (old.has(key) ? [] : [t]))
    if (from.length + to.length === 0) return []
    return [{ command, kind: from.length === 0 ? 'added' : to.length === 0 ? 'removed' : 'moved', from, to }]
  })
  const keys = (triggers: readonly Trigger[]): Set<string> => new Set(triggers.map(triggerKey))
  const moved = changes.filter((c) => c.kind === 'moved')
  const isSwapped = (one: Change): boolean =>
    moved.some(
      (other) =>
        other !== one &&
        other.command.programId === one.command.programId &&
        other.to.some((t) => keys(one.from).has(triggerKey(t))) &&
        one.to.some((t) => keys(other.from).has(triggerKey(t))),
    )
  return changes
    .map((c): Change => (c.kind === 'moved' && isSwapped(c) ? { ...c, kind: 'swapped' } : c))
    .sort((a, b) => b.command.usesPerHour - a.command.usesPerHour || (a.command.id < b.command.id ? -1 : 1))
}

/** What a command on a new place costs once, until it is known by heart. */
export interface Learning {
  readonly command: Command
  /** uses that are looked for */
  readonly uses: number
  readonly ms: number
}

/** What each command on a new place costs once. Commands that lost their place cost nothing to learn. */
export const learningOf = (
  changes: readonly Change[],
  scoreOf: (command: Command, trigger: Trigger) => number,
  usesInDays: (command: Command) => number,
  learner: Pick<OwnLearning, 'uses' | 'ms'>,
): Learning[] =>
  changes
    .filter((c) => c.to.length > 0)
    .map(({ command, to }) => {
      const best = Math.max(...to.map((t) => scoreOf(command, t)))
      const uses = relearnUses(best, usesInDays(command), learner)
      return { command, uses, ms: uses * learner.ms }
    })
    .sort((a, b) => b.ms - a.ms || (a.command.id < b.command.id ? -1 : 1))
