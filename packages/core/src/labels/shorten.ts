import { meaningWords } from '../mnemonics/index.js'
import { abbreviations } from './abbreviations.js'

/** How many steps of shortening there are; step 0 is the text as it is. */
export const shorteningSteps = 6

/** From this step on words are cut: a person has to look whether they can still be read. */
export const cuttingStep = 3

/**
 * A text shortened by rule, the same in every place: 1 leaves out words without meaning, 2 takes known abbreviations,
 * 3 cuts long words to six letters and a point, 4 to four, 5 to three. No word is made of its consonants, and none is left with less:
 * what then has no room needs words of the person's own.
 */
export function shorten(text: string, step: number): string {
  if (step <= 0) return text
  const meant = new Set(meaningWords(text))
  const all = text.trim().split(/\s+/)
  // the last word stays whatever it is: "in" tells zooming in from zooming out
  const kept = all.filter((word, i) => i === all.length - 1 || meaningWordsOf(word).some((w) => meant.has(w)))
  if (step === 1) return kept.join(' ')
  const short = kept.map(abbreviate)
  if (step === 2) return short.join(' ')
  return short.map((word) => cutWord(word, step)).join(' ')
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

/** Letters that are left of a word, by the step; words that are little longer stay whole. */
const lettersLeft: readonly number[] = [0, 0, 0, 6, 4, 3]

/** `Measure` → `Meas.`: the beginning of a word and a point. */
function cutWord(word: string, step: number): string {
  const chars = [...word]
  const most = lettersLeft[step] as number
  return chars.length <= most + 1 ? word : `${chars.slice(0, most).join('')}.`
}
