import { meaningWords } from '../mnemonics/index.js'
import { abbreviations } from './abbreviations.js'

/** How many steps of shortening there are; step 0 is the text as it is. */
export const shorteningSteps = 7

/**
 * A text shortened by rule, the same in every place: 1 leaves out words without meaning, 2 takes known abbreviations,
 * 3 drops vowels, 4 cuts long words behind a consonant, 5 keeps two letters of all words but the main one, 6 only
 * their initials.
 */
export function shorten(text: string, step: number): string {
  if (step <= 0) return text
  const meant = new Set(meaningWords(text))
  const all = text.trim().split(/\s+/)
  // the last word stays whatever it is: "in" tells zooming in from zooming out
  const kept = all.filter((word, i) => i === all.length - 1 || meaningWordsOf(word).some((w) => meant.has(w)))
  if (step === 1) return kept.join(' ')
  if (step === 2) return kept.map(abbreviate).join(' ')
  if (step === 3) return kept.map((word) => dropVowels(abbreviate(word))).join(' ')
  if (step === 4) return kept.map(cutWord).join(' ')
  const [main = '', ...rest] = kept
  if (step === 5)
    return [
      cutWord(main),
      ...rest.map((word) => ([...word].length > 3 ? `${[...word].slice(0, 2).join('')}.` : word)),
    ].join(' ')
  return [cutWord(main), rest.map((word) => [...word][0] ?? '').join('')].filter(Boolean).join(' ')
}

const meaningWordsOf = (word: string): string[] =>
  word.toLocaleLowerCase().match(/[\p{L}\p{M}\d]+/gu) ?? [word]

/** A known short form, written as the word was: capitals stay capitals. */
function abbreviate(word: string): string {
  const short = abbreviations.get(word.toLocaleLowerCase())
  if (short === undefined) return word
  const first = [...word][0] ?? ''
  return first === first.toLocaleUpperCase() ? short.charAt(0).toUpperCase() + short.slice(1) : short
}

const vowels = /[aeiouäöüáéíóúàèìòùâêîôû]/i

/** `Measure` → `Msr`: vowels inside long words go, and one of two equal letters that then meet. */
function dropVowels(word: string): string {
  const chars = [...word]
  if (chars.length <= 4) return word
  const kept = chars.filter((char, i) => i === 0 || !vowels.test(char))
  const single = kept.filter((char, i) => i === 0 || char.toLowerCase() !== kept[i - 1]?.toLowerCase())
  // two letters tell nothing
  return single.length >= 3 ? single.join('') : word
}

/** `Measure` → `Meas.`: at most four letters, ending in a consonant where one is near. Short words stay whole. */
function cutWord(word: string): string {
  const chars = [...word]
  if (chars.length <= 5) return word
  let end = 4
  if (/[aeiouäöüáéíóú]/i.test(chars[end - 1] as string)) end = 3
  return `${chars.slice(0, end).join('')}.`
}
