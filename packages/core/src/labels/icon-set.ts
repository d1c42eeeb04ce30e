import { packageIcon, type Icon, type IconNode } from '../label-design/index.js'
import { meaningWords, stemOf } from '../mnemonics/index.js'

/** The icon package as it lists itself: elements of each icon by name, and words that people look for it by. */
export interface IconPackage {
  readonly nodes: Readonly<Record<string, readonly IconNode[]>>
  readonly tags: Readonly<Record<string, readonly string[]>>
}

export interface IconSet {
  /** an icon of the package or the person's own, or null when there is none of that name */
  get(id: string): Icon | null
  /** the icon whose name or tags say what the command's name says, or null when none says enough */
  suggest(name: string): string | null
  /** ids that have all the words that are looked for, the closest first */
  search(words: string, most: number): string[]
}

/**
 * What a word in an icon's name is worth, another form of it, one among its tags; what further words of the icon's and
 * of the command's name cost; and what it is worth that the whole name is one of the tags. Assumed.
 */
const worth = { inName: 2, alike: 1.2, inTags: 0.9, iconBesides: 0.3, nameBesides: 0.5, wholeTag: 2 } as const
/** Below this an icon is a guess rather than a sign. Assumed. */
const leastWorth = 1.2

/** @param own icons of the person's own, which come first */
export function iconSet(from: IconPackage, own: readonly Icon[]): IconSet {
  const ownById = new Map(own.map((icon) => [icon.id, icon]))
  const entries = Object.keys(from.nodes).map((id) => {
    const name = id.split('-').filter((part) => !/^\d+(x\d+)?$/.test(part))
    const tags = from.tags[id] ?? []
    return {
      id,
      name: new Set(name),
      stems: new Set(name.map(stemOf)),
      tags: new Set(tags),
      tagStems: new Set(tags.flatMap((tag) => meaningWords(tag)).map(stemOf)),
    }
  })
  const made = new Map<string, Icon>()
  const suggested = new Map<string, string | null>()
  return {
    get(id) {
      const nodes = Object.hasOwn(from.nodes, id) ? from.nodes[id] : undefined
      const known = ownById.get(id) ?? made.get(id)
      if (known || !nodes) return known ?? null
      const icon = packageIcon(id, nodes)
      made.set(id, icon)
      return icon
    },
    suggest(name) {
      const known = suggested.get(name)
      if (known !== undefined) return known
      // "in" and "out" tell zooming icons apart, so all words count here
      const words = wordsOf(name)
      const whole = words.join(' ')
      const joined = words.join('')
      let best: string | null = null
      let most = leastWorth
      for (const entry of entries) {
        const score = entry.id === joined ? Infinity : scoreOf(entry, words, whole)
        const isBetter = score > most || (score === most && best !== null && entry.id.length < best.length)
        if (isBetter) [best, most] = [entry.id, score]
      }
      suggested.set(name, best)
      return best
    },
    search(text, mostFound) {
      const words = text
        .toLocaleLowerCase()
        .split(/[\s-]+/)
        .filter(Boolean)
      const ownFound = own
        .filter((icon) => words.every((w) => icon.name.toLocaleLowerCase().includes(w)))
        .map((icon) => icon.id)
      const rank = (id: string): number =>
        words.filter((w) => id.split('-').includes(w)).length * 2 + words.filter((w) => id.includes(w)).length
      const found = Object.keys(from.nodes).filter((id) =>
        words.every((w) => id.includes(w) || (from.tags[id] ?? []).some((tag) => tag.includes(w))),
      )
      found.sort((a, b) => rank(b) - rank(a) || a.length - b.length || (a < b ? -1 : 1))
      return [...ownFound, ...found].slice(0, mostFound)
    },
  }
}

const wordsOf = (name: string): string[] => name.toLocaleLowerCase().match(/[\p{L}\d]+/gu) ?? []

interface Entry {
  readonly name: ReadonlySet<string>
  readonly stems: ReadonlySet<string>
  readonly tags: ReadonlySet<string>
  readonly tagStems: ReadonlySet<string>
}

function scoreOf(icon: Entry, words: readonly string[], whole: string): number {
  let score = 0
  let inName = 0
  for (const word of words) {
    const stem = stemOf(word)
    if (icon.name.has(word)) score += worth.inName
    else if (icon.stems.has(stem)) score += worth.alike
    else if (icon.tagStems.has(stem)) score += worth.inTags
    else score -= worth.nameBesides
    if (icon.stems.has(stem)) inName++
  }
  if (inName === 0 && !icon.tags.has(whole)) return 0
  return (icon.tags.has(whole) ? worth.wholeTag : 0) + score - (icon.name.size - inName) * worth.iconBesides
}
