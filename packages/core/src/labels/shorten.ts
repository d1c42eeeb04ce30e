import { meaningWords } from '../mnemonics/index.js'

/** How many steps of shortening there are; step 0 is the text as it is. */
export const shorteningSteps = 5

/**
 * A text shortened by rule, the same in every place: 1 leaves out words without meaning, 2 cuts long words behind a
 * consonant, 3 keeps two letters of all words but the main one, 4 only their initials.
 */
export function shorten(text: string, step: number): string {
  if (step <= 0) return text
  const meant = new Set(meaningWords(text))
  const words = text.split(/\s+/).filter((word) => [...meaningWordsOf(word)].some((w) => meant.has(w)))
  const kept = words.length > 0 ? words : text.split(/\s+/)
  if (step === 1) return kept.join(' ')
  if (step === 2) return kept.map(cutWord).join(' ')
  const [main = '', ...rest] = kept
  if (step === 3)
    return [
      cutWord(main),
      ...rest.map((word) => ([...word].length > 3 ? `${[...word].slice(0, 2).join('')}.` : word)),
    ].join(' ')
  return [cutWord(main), rest.map((word) => [...word][0] ?? '').join('')].filter(Boolean).join(' ')
}

const meaningWordsOf = (word: string): string[] =>
  word.toLocaleLowerCase().match(/[\p{L}\p{M}\d]+/gu) ?? [word]

/** `Measure` → `Meas.`: at most four letters, ending in a consonant where one is near. Short words stay whole. */
function cutWord(word: string): string {
  const chars = [...word]
  if (chars.length <= 5) return word
  let end = 4
  if (/[aeiouäöüáéíóú]/i.test(chars[end - 1] as string)) end = 3
  return `${chars.slice(0, end).join('')}.`
}
