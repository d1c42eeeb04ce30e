import type { Command, Program } from '../commands/index.js'
import { mnemonicContext } from '../mnemonics/index.js'
import { pressLayers, type Placed, type Surroundings } from '../model/index.js'
import { triggerKey, type Chord, type Trigger } from '../triggers/index.js'
import { severities, type Clash } from './clash.js'
import { consistencyRules } from './consistency-rules.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { pressRules } from './press-rules.js'
import { programRules } from './program-rules.js'
import { relays } from './relay.js'
import { slipRules } from './slip-rules.js'
import { strokeRules } from './stroke-rules.js'

const rules: readonly Rule[] = [
  ...pressRules,
  relays,
  ...programRules,
  ...strokeRules,
  ...slipRules,
  ...consistencyRules,
]

/**
 * Checks arrangements over the same surroundings. What a check has found is kept with the questions that it asked, so
 * that after an edit only what the edit touches is judged again.
 */
export interface ClashChecker {
  /** All clashes, most severe first, then by use. Placements of unknown commands are passed over. */
  check(placements: readonly Placed[]): Clash[]
  /** groups (one program on one trigger) that the last check had to judge */
  readonly judged: number
}

interface Judged {
  readonly group: Group
  readonly clashes: readonly Clash[]
  /** keys of groups, and ids of commands, that the judgement asked for */
  readonly asked: ReadonlySet<string>
}

/** Keys of triggers are asked for again with every check; triggers are never changed in place. */
const keyOf = new WeakMap<Trigger, string>()
function keyFor(trigger: Trigger): string {
  let key = keyOf.get(trigger)
  if (key === undefined) keyOf.set(trigger, (key = triggerKey(trigger)))
  return key
}

export function clashChecker(around: Surroundings): ClashChecker {
  const layers = pressLayers(around)
  const commands = new Map(around.commands.map((c) => [c.id, c]))
  const programs = new Map(around.programs.map((p) => [p.id, p]))
  const mnemonics = mnemonicContext(around, () => [])
  let before: readonly Placed[] = []
  const groups = new Map<string, Group>()
  let placedCount = new Map<string, number>()
  const judgedOf = new Map<string, Judged>()
  /** who asked for a key: the groups to judge again when it changes */
  const askers = new Map<string, Set<string>>()
  let sorted: Clash[] = []
  let judged = 0

  const groupKey = (placed: Placed): string | null => {
    const command = commands.get(placed.commandId)
    return command && programs.has(command.programId)
      ? `${command.programId} ${keyFor(placed.trigger)}`
      : null
  }

  /** Keys whose groups may differ between two arrangements, and commands that gained their first or lost their last place. */
  const changedKeys = (next: readonly Placed[]): Set<string> => {
    const kept = new Set(before)
    const now = new Set(next)
    const changed = new Set<string>()
    const count = new Map(placedCount)
    const note = (placed: Placed, by: 1 | -1): void => {
      const key = groupKey(placed)
      if (key !== null) changed.add(key)
      const id = placed.commandId
      const was = count.get(id) ?? 0
      count.set(id, was + by)
    }
    for (const placed of before) if (!now.has(placed)) note(placed, -1)
    for (const placed of next) if (!kept.has(placed)) note(placed, 1)
    for (const [id, n] of count) if (n > 0 !== (placedCount.get(id) ?? 0) > 0) changed.add(`command ${id}`)
    placedCount = count
    return changed
  }

  const regroup = (next: readonly Placed[], changed: ReadonlySet<string>): void => {
    const found = new Map<
      string,
      { trigger: Trigger; commands: Command[]; relays: Group['relays'][number][] }
    >()
    for (const placed of next) {
      const key = groupKey(placed)
      if (key === null || !changed.has(key)) continue
      const command = commands.get(placed.commandId) as Command
      let group = found.get(key)
      if (!group) found.set(key, (group = { trigger: placed.trigger, commands: [], relays: [] }))
      if (!group.commands.includes(command)) group.commands.push(command)
      if (placed.sends) group.relays.push({ command, sends: placed.sends as readonly Chord[] })
    }
    for (const key of changed) {
      const group = found.get(key)
      if (!group) groups.delete(key)
      else
        groups.set(key, {
          key,
          trigger: group.trigger,
          program: programs.get((group.commands[0] as Command).programId) as Program,
          commands: group.commands.sort((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1)),
          relays: group.relays,
        })
    }
  }

  const judge = (group: Group): Judged => {
    const asked = new Set<string>()
    const context: CheckContext = {
      around,
      layers,
      neighbours: mnemonics.neighbours,
      group(programId, key) {
        const name = `${programId} ${key}`
        asked.add(name)
        return groups.get(name)
      },
      isPlaced(id) {
        asked.add(`command ${id}`)
        return (placedCount.get(id) ?? 0) > 0
      },
      isSameIdea: (a, b) => mnemonics.sameIdeas(a).includes(b),
    }
    const seen = new Map<string, number>()
    const clashes = rules
      .flatMap((rule) => rule(group, context))
      .map(({ commands: concerned, ...part }: Finding): Clash => {
        const base = `${part.kind}:${group.key}`
        const nth = seen.get(base) ?? 0
        seen.set(base, nth + 1)
        return {
          ...part,
          id: nth === 0 ? base : `${base}:${nth + 1}`,
          trigger: group.trigger,
          programId: group.program.id,
          commandIds: [...new Set(concerned.map((c) => c.id))],
        }
      })
    return { group, clashes, asked }
  }

  const forget = (key: string): void => {
    for (const name of judgedOf.get(key)?.asked ?? []) askers.get(name)?.delete(key)
    judgedOf.delete(key)
  }

  const weights = new Map<Clash, number>()
  const weightOf = (clash: Clash): number => {
    let weight = weights.get(clash)
    if (weight === undefined)
      weights.set(
        clash,
        (weight = clash.commandIds.reduce((sum, id) => sum + (commands.get(id)?.usesPerHour ?? 0), 0)),
      )
    return weight
  }
  const order = (a: Clash, b: Clash): number =>
    severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
    weightOf(b) - weightOf(a) ||
    (a.id < b.id ? -1 : 1)

  return {
    get judged() {
      return judged
    },
    check(placements) {
      const changed = changedKeys(placements)
      judged = 0
      if (changed.size === 0) return sorted
      regroup(placements, changed)
      before = placements
      const again = new Set<string>()
      for (const key of changed) {
        if (!key.startsWith('command ')) again.add(key)
        for (const asker of askers.get(key) ?? []) again.add(asker)
      }
      const gone = new Set<Clash>()
      const fresh: Clash[] = []
      for (const key of again) {
        for (const clash of judgedOf.get(key)?.clashes ?? []) {
          gone.add(clash)
          weights.delete(clash)
        }
        forget(key)
        const group = groups.get(key)
        if (!group) continue
        judged++
        const result = judge(group)
        judgedOf.set(key, result)
        for (const name of result.asked) {
          const set = askers.get(name)
          if (set) set.add(key)
          else askers.set(name, new Set([key]))
        }
        fresh.push(...result.clashes)
      }
      sorted = merge(gone.size > 0 ? sorted.filter((c) => !gone.has(c)) : sorted, fresh.sort(order), order)
      return sorted
    },
  }
}

/** Two sorted lists as one. */
function merge<T>(a: readonly T[], b: readonly T[], order: (x: T, y: T) => number): T[] {
  const out: T[] = []
  let [i, j] = [0, 0]
  while (i < a.length && j < b.length)
    out.push(order(a[i] as T, b[j] as T) <= 0 ? (a[i++] as T) : (b[j++] as T))
  return [...out, ...a.slice(i), ...b.slice(j)]
}

/** All clashes of an arrangement, most severe first, then by use. */
export const findClashes = (placements: readonly Placed[], around: Surroundings): Clash[] =>
  clashChecker(around).check(placements)
