import UFuzzy from '@leeoniya/ufuzzy'
import type { Command } from './command.js'

const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

interface Texts {
  readonly name: string
  /** what finds it beside its name */
  readonly detail: string
}

/** Folded texts; cached, since a list is searched again with every letter that is typed. */
const known = new WeakMap<object, Texts>()
function folded<T extends object>(item: T, textsOf: (item: T) => Texts): Texts {
  let texts = known.get(item)
  if (!texts) {
    const { name, detail } = textsOf(item)
    texts = { name: fold(name), detail: `${fold(name)} ${fold(detail)}` }
    known.set(item, texts)
  }
  return texts
}

/** One letter wrong, missing, too many or swapped in each word. */
const forgiving = new UFuzzy({ intraMode: 1, intraSub: 1, intraTrn: 1, intraDel: 1, intraIns: 1 })

/** Shorter words would be one letter away from too many others. */
const shortestForgiven = 4

/**
 * Those whose name or detail has every word of `query`, best first: the name itself, then names that begin with it, then names
 * that have a word which does, then the rest; within each as they came. Accents and capitals do not count. Where nothing has
 * them, one letter of each word may be wrong.
 *
 * @param textsOf - asked once for each item, which must not change afterwards
 */
export function searchNamed<T extends object>(
  items: readonly T[],
  textsOf: (item: T) => Texts,
  query: string,
): readonly T[] {
  const words = fold(query).split(/\s+/).filter(Boolean)
  const first = words[0]
  if (first === undefined) return items
  const asked = words.join(' ')
  const rankOf = (name: string): number =>
    name === asked
      ? 0
      : name.startsWith(first)
        ? 1
        : name.split(/\s+/).some((w) => w.startsWith(first))
          ? 2
          : 3
  const ranked: { item: T; rank: number }[] = []
  for (const item of items) {
    const { name, detail } = folded(item, textsOf)
    if (words.every((word) => detail.includes(word))) ranked.push({ item, rank: rankOf(name) })
  }
  if (ranked.length > 0) return ranked.sort((a, b) => a.rank - b.rank).map((r) => r.item)
  if (words.every((w) => w.length < shortestForgiven)) return []
  const hits = forgiving.filter(
    items.map((item) => folded(item, textsOf).detail),
    asked,
  )
  return (hits ?? []).flatMap((at) => items[at] ?? [])
}

/** Commands as `searchNamed` finds them by name, variant or menu path; among those found alike the most used first. */
export const searchCommands = (commands: readonly Command[], query: string): readonly Command[] =>
  searchNamed(commands.toSorted(byUse), textsOfCommand, query)

const textsOfCommand = (command: Command): Texts => ({
  name: command.name,
  detail: `${command.parameter ?? ''} ${command.menu.join(' ')}`,
})

const byUse = (a: Command, b: Command): number => b.usesPerHour - a.usesPerHour || (a.name < b.name ? -1 : 1)

/** Other commands of the same program and name, which only their menu path, contexts or parameter tell apart. */
export const namesakesOf = (command: Command, commands: readonly Command[]): Command[] =>
  commands.filter(
    (c) => c.id !== command.id && c.programId === command.programId && fold(c.name) === fold(command.name),
  )
