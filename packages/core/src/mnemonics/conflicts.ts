import type { Command } from '../commands/index.js'
import type { MnemonicContext } from './context.js'
import { mnemonicReader } from './reader.js'
import { ruleScores, type Link } from './score.js'

/** Commands that all want one letter where they can be live together. */
export interface LetterConflict {
  readonly letter: string
  /** most used first; the first one has the better claim */
  readonly claimants: readonly Command[]
  /** for each of the others, the next letter of its name that nobody more used claims; null when there is none */
  readonly next: ReadonlyMap<string, Link | null>
}

const claims = [ruleScores.firstOfMainWord, ruleScores.hint] as const

/**
 * First letters that several commands want, resolved by use: the most used one has it, and each of the others is
 * offered the best letter that is left.
 * @param liveTogether whether one press can mean both
 */
export function letterConflicts(
  commands: readonly Command[],
  context: MnemonicContext,
  liveTogether: (a: Command, b: Command) => boolean,
): LetterConflict[] {
  const byUse = commands.toSorted((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1))
  const letters = new Map(byUse.map((c) => [c.id, mnemonicReader(c, context).letters]))
  const taken = new Map<string, Command[]>()
  const has = (letter: string, command: Command): boolean =>
    (taken.get(letter) ?? []).some((c) => liveTogether(c, command))
  const wanted = new Map<string, Command[]>()
  const given = new Map<string, Link | null>()
  for (const command of byUse) {
    const links = letters.get(command.id) ?? []
    const first = links.find((link) => claims.includes(link.score as (typeof claims)[number]))
    if (first) wanted.set(first.to, [...(wanted.get(first.to) ?? []), command])
    const free = links.find((link) => link.score > ruleScores.alphabetNeighbour && !has(link.to, command))
    if (free) taken.set(free.to, [...(taken.get(free.to) ?? []), command])
    given.set(command.id, free ?? null)
  }
  return [...wanted]
    .map(([letter, all]) => {
      const rivals = all.filter((c) => all.some((o) => o !== c && liveTogether(c, o)))
      return {
        letter,
        claimants: rivals,
        next: new Map(
          rivals
            .filter((c) => given.get(c.id)?.to !== letter)
            .map((c) => [c.id, given.get(c.id) ?? null] as const),
        ),
      }
    })
    .filter((conflict) => conflict.claimants.length > 1 && conflict.next.size > 0)
    .sort(
      (a, b) =>
        (b.claimants[0] as Command).usesPerHour - (a.claimants[0] as Command).usesPerHour ||
        (a.letter < b.letter ? -1 : 1),
    )
}
