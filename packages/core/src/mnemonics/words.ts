/** Words that carry no meaning of their own in a command's name. Common practice, no source. */
const stopWords = new Set([
  'a',
  'an',
  'the',
  'of',
  'to',
  'and',
  'or',
  'in',
  'on',
  'at',
  'by',
  'for',
  'from',
  'with',
  'all',
  'this',
  'as',
])

/** The words of a name that a letter can stand for, in order; digits count as words. */
export function meaningWords(name: string): string[] {
  const words = name.toLocaleLowerCase().match(/[\p{L}\p{M}\d]+/gu) ?? []
  const kept = words.filter((word) => !stopWords.has(word))
  return kept.length > 0 ? kept : words
}
