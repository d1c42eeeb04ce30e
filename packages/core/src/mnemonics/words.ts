import { stemmer } from 'stemmer'

/** Words that carry no meaning of their own in a command's name. Common practice, no source. */
const stopWords = new Set(
  'a an the of to and or in on at by for from with all this as its into onto per via is be it'.split(' '),
)

/** All words of a name in lower case, in order; digits count as words. */
export const wordsOf = (name: string): string[] => name.toLocaleLowerCase().match(/[\p{L}\p{M}\d]+/gu) ?? []

/** The words of a name that a letter can stand for, in order. */
export function meaningWords(name: string): string[] {
  const words = wordsOf(name)
  const kept = words.filter((word) => !stopWords.has(word))
  return kept.length > 0 ? kept : words
}

const known = new Map<string, string>()

/** What plural and verb forms of a word have in common: `layers` and `layer`, `hiding` and `hide`. Porter's stems. */
export function stemOf(word: string): string {
  let stem = known.get(word)
  if (stem === undefined) known.set(word, (stem = stemmer(word)))
  return stem
}
