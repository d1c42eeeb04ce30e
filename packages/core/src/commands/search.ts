import UFuzzy from '@leeoniya/ufuzzy'
import type { Command } from './command.js'

const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

interface Texts {
  readonly name: string
  /** what finds it beside its name */
  readonly detail: string
}

/** One letter wrong, missing, too many or swapped in each word. */
const forgiving = new UFuzzy({ intraMode: 1, intraSub: 1, intraTrn: 1, intraDel: 1, intraIns: 1 })

/** Shorter words would be one letter away from too many others. */
const shortestForgiven = 4

/**
 * A search of what has a name: it finds what has every word of the query in its name or detail, best first: the name itself, then names
 * that begin with it, then names that have a word which does, then the rest; within each as they came. Accents and capitals do
 * not count. Where nothing has them, one letter of each word may be wrong.
 *
 * @param textsOf - asked once for each item, since a list is searched again with every letter that is typed
 */
export function namedSearch<T extends object>(
  textsOf: (item: T) => Texts,
): (items: readonly T[], query: string) => readonly T[] {
  const known = new WeakMap<T, Texts>()
  const folded = (item: T): Texts => {
    let texts = known.get(item)
    if (!texts) {
      const { name, detail } = textsOf(item)
      texts = { name: fold(name), detail: `${fold(name)} ${fold(detail)}` }
      known.set(item, texts)
    }
    return texts
  }
  return (items, query) => {
    const words = fold(query).split(/\s+/).filter(Boolean)
    if (words.length === 0) return items
    const found = items.filter((item) => words.every((word) => folded(item).detail.includes(word)))
    const ranks = new Map(found.map((item) => [item, rankOf(folded(item).name, words)]))
    if (found.length > 0) return found.sort((a, b) => (ranks.get(a) as number) - (ranks.get(b) as number))
    if (words.every((w) => w.length < shortestForgiven)) return []
    const hits = forgiving.filter(
      items.map((item) => folded(item).detail),
      words.join(' '),
    )
    return (hits ?? []).flatMap((at) => items[at] ?? [])
  }
}

/** How well a folded name answers what was asked; less is better. */
function rankOf(name: string, words: readonly string[]): number {
  const first = words[0] as string
  if (name === words.join(' ')) return 0
  if (name.startsWith(first)) return 1
  return name.split(/\s+/).some((w) => w.startsWith(first)) ? 2 : 3
}

const searchByName = namedSearch((command: Command) => ({
  name: command.name,
  detail: `${command.parameter ?? ''} ${command.menu.join(' ')}`,
}))

/** Commands as `namedSearch` finds them by name, variant or menu path; among those found alike the most used first. */
export const searchCommands = (commands: readonly Command[], query: string): readonly Command[] =>
  searchByName(commands.toSorted(byUse), query)

const byUse = (a: Command, b: Command): number => b.usesPerHour - a.usesPerHour || (a.name < b.name ? -1 : 1)

/** Other commands of the same program and name, which only their menu path, contexts or parameter tell apart. */
export const namesakesOf = (command: Command, commands: readonly Command[]): Command[] =>
  commands.filter(
    (c) => c.id !== command.id && c.programId === command.programId && fold(c.name) === fold(command.name),
  )
