import type { Command } from '../commands/index.js'
import type { WordPair } from './word-pairs.js'
import { stemOf, wordsOf } from './words.js'

/** A command that leads the other way, and on which side of it this one lies by nature. */
export interface Opposite {
  readonly command: Command
  readonly axis: WordPair['axis']
  /** whether the command that was asked about is the first of the pair: left, or above */
  readonly isFirst: boolean
  /** the words that tell, or null when only the person says so */
  readonly words: readonly [string, string] | null
}

/** A word that leads one way, with where it leads. */
export interface Way {
  readonly word: string
  readonly axis: WordPair['axis']
  readonly isFirst: boolean
}

export interface OppositeFinder {
  oppositesOf(command: Command): readonly Opposite[]
  /** words of the name that have a natural direction */
  waysOf(command: Command): readonly Way[]
}

/** Finds opposites among commands by what the person says and by pairs of words in otherwise equal names. */
export function oppositeFinder(commands: readonly Command[], wordPairs: readonly WordPair[]): OppositeFinder {
  const byStem = new Map<string, { readonly other: string; readonly way: Way }[]>()
  const enter = (word: string, other: string, axis: WordPair['axis'], isFirst: boolean): void => {
    const stem = stemOf(word.toLocaleLowerCase())
    const entry = { other: stemOf(other.toLocaleLowerCase()), way: { word, axis, isFirst } }
    byStem.set(stem, [...(byStem.get(stem) ?? []), entry])
  }
  for (const { first, second, axis } of wordPairs) {
    enter(first, second, axis, true)
    enter(second, first, axis, false)
  }
  const stems = (command: Command): string[] => wordsOf(command.name).map(stemOf)
  const nameKey = (command: Command, words: readonly string[]): string =>
    `${command.programId} ${words.join(' ')} ${command.parameter ?? ''}`
  const byName = new Map<string, Command[]>()
  for (const command of commands) {
    const key = nameKey(command, stems(command))
    byName.set(key, [...(byName.get(key) ?? []), command])
  }
  const byId = new Map(commands.map((c) => [c.id, c]))

  const byWords = (command: Command): Opposite[] => {
    const words = stems(command)
    return words.flatMap((stem, i) =>
      (byStem.get(stem) ?? []).flatMap(({ other, way }) =>
        (byName.get(nameKey(command, words.with(i, other))) ?? [])
          .filter((c) => c.id !== command.id)
          .map((c): Opposite => ({
            command: c,
            axis: way.axis,
            isFirst: way.isFirst,
            words: [way.word, wordsOf(c.name)[i] as string],
          })),
      ),
    )
  }
  return {
    oppositesOf(command) {
      const found = byWords(command)
      const said = byId.get(command.oppositeId ?? '')
      return said && !found.some((o) => o.command.id === said.id)
        ? [{ command: said, axis: 'opposite', isFirst: true, words: null }, ...found]
        : found
    },
    waysOf: (command) => stems(command).flatMap((stem) => (byStem.get(stem) ?? []).map((e) => e.way)),
  }
}
