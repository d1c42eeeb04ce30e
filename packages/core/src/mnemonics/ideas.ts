import type { Command } from '../commands/index.js'
import type { Memory } from './word-pairs.js'
import { meaningWords, stemOf } from './words.js'

/** Names count as one idea from this share of common stems on. Assumed: one word of four may differ. */
export const alikeFrom = 0.75

/** Share of stems that two names have in common, 0 to 1. */
export function nameLikeness(a: string, b: string): number {
  const [x, y] = [a, b].map((name) => new Set(meaningWords(name).map(stemOf))) as [Set<string>, Set<string>]
  const common = [...x].filter((stem) => y.has(stem)).length
  return common / (x.size + y.size - common)
}

/** Words that name a step whatever it is taken over: the next sheet and the next fault are one idea in two modes. */
const stepWords = new Set(['next', 'previous', 'first', 'last', 'back', 'forward', 'earlier', 'later'])

/** The step that a command takes, or null when it names none. */
export const stepWordOf = (name: string): string | null =>
  meaningWords(name).find((word) => stepWords.has(word)) ??
  name
    .toLocaleLowerCase()
    .split(/\s+/)
    .find((word) => stepWords.has(word)) ??
  null

/** Whether two commands take the same step in modes of their own. */
export const isSameStep = (a: Pick<Command, 'name'>, b: Pick<Command, 'name'>): boolean =>
  stepWordOf(a.name) !== null && stepWordOf(a.name) === stepWordOf(b.name)

/** A group of commands of different programs that are one idea, with who says so. */
export interface Idea {
  readonly commands: readonly Command[]
  readonly by: 'names' | 'person'
}

const pairKey = (a: string, b: string): string => (a < b ? `${a}\n${b}` : `${b}\n${a}`)

/**
 * Ideas that stand in more than one program: as the person has grouped them, and where names are alike. Two commands of
 * one program are never one idea by their names alone.
 */
export function sharedIdeas(
  commands: readonly Command[],
  memory: Pick<Memory, 'sameIdeas' | 'otherIdeas'>,
): Idea[] {
  const byId = new Map(commands.map((c) => [c.id, c]))
  const apart = new Set(memory.otherIdeas.map(([a, b]) => pairKey(a, b)))
  const leader = new Map<string, string>()
  const find = (id: string): string => {
    const up = leader.get(id)
    return up === undefined || up === id ? id : find(up)
  }
  const said = new Set<string>()
  for (const group of memory.sameIdeas) {
    const known = group.filter((id) => byId.has(id))
    for (const id of known) {
      said.add(id)
      leader.set(find(id), find(known[0] as string))
    }
  }
  // only names that share a stem are compared
  const byStem = new Map<string, Command[]>()
  for (const command of commands)
    for (const stem of new Set(meaningWords(command.name).map(stemOf)))
      byStem.set(stem, [...(byStem.get(stem) ?? []), command])
  const programsIn = new Map<string, Set<string>>(commands.map((c) => [c.id, new Set([c.programId])]))
  const likely: { a: Command; b: Command; likeness: number }[] = []
  for (const group of byStem.values())
    for (const [i, a] of group.entries())
      for (const b of group.slice(i + 1)) {
        if (a.programId === b.programId || apart.has(pairKey(a.id, b.id))) continue
        const likeness = nameLikeness(a.name, b.name)
        if (likeness >= alikeFrom && a.parameter === b.parameter) likely.push({ a, b, likeness })
      }
  likely.sort((p, q) => q.likeness - p.likeness || q.a.usesPerHour - p.a.usesPerHour)
  for (const { a, b } of likely) {
    const [x, y] = [find(a.id), find(b.id)]
    if (x === y || said.has(a.id) || said.has(b.id)) continue
    const [inX, inY] = [programsIn.get(x) as Set<string>, programsIn.get(y) as Set<string>]
    if ([...inX].some((p) => inY.has(p))) continue
    leader.set(x, y)
    for (const p of inX) inY.add(p)
  }
  const groups = new Map<string, Command[]>()
  for (const command of commands) {
    const key = find(command.id)
    groups.set(key, [...(groups.get(key) ?? []), command])
  }
  return [...groups.values()]
    .filter((group) => new Set(group.map((c) => c.programId)).size > 1)
    .map((group): Idea => ({
      commands: group.toSorted((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1)),
      by: group.some((c) => said.has(c.id)) ? 'person' : 'names',
    }))
    .sort(
      (a, b) =>
        (b.commands[0] as Command).usesPerHour - (a.commands[0] as Command).usesPerHour ||
        ((a.commands[0] as Command).id < (b.commands[0] as Command).id ? -1 : 1),
    )
}
