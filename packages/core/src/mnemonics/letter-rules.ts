import { table } from '../table.js'
import { doubleMetaphone } from 'double-metaphone'
import type { Command } from '../commands/index.js'
import { characterLegend } from '../triggers/index.js'
import { ruleScores, type Link } from './score.js'
import { meaningWords, wordsOf } from './words.js'

/** Rules that link a command to a letter or sign, wherever the national layout has it. Each is a few lines. */
type LetterRule = (
  command: Pick<Command, 'name' | 'parameter' | 'hints'>,
  isCommon?: (word: string) => boolean,
) => readonly Link[]

const never = (): boolean => false

const quoted = (word: string): string => `“${word}”`

/** The main word is the first that few of the program's commands have: not “tool”, which a dozen begin or end with. */
export const firstLetters: LetterRule = ({ name }, isCommon = never) => {
  const words = meaningWords(name)
  const main = Math.max(
    0,
    words.findIndex((word) => !isCommon(word)),
  )
  return words.map((word, i) => ({
    to: word[0] as string,
    score: i === main ? ruleScores.firstOfMainWord : ruleScores.firstOfOtherWord,
    reason: `First letter of ${quoted(word)}.`,
  }))
}

export const lettersInside: LetterRule = ({ name }) =>
  meaningWords(name).flatMap((word) =>
    [...word].slice(1).map((letter) => ({
      to: letter,
      score: ruleScores.letterInside,
      reason: `${characterLegend(letter)} is in ${quoted(word)}.`,
    })),
  )

/** Words without a meaning of their own begin with a letter all the same: A of “select all”. */
export const smallWords: LetterRule = ({ name }) => {
  const meaningful = new Set(meaningWords(name))
  return wordsOf(name)
    .filter((word) => !meaningful.has(word))
    .map((word) => ({
      to: word[0] as string,
      score: ruleScores.letterInside,
      reason: `First letter of ${quoted(word)}.`,
    }))
}

/** Letters that a sign of the phonetic code may be written by; the code does not tell voiced from voiceless ones. */
const writtenBy = table<string>({
  '0': 't',
  X: 'xcs',
  J: 'jg',
  K: 'kcqgx',
  S: 'szcx',
  F: 'fv',
  T: 'td',
  P: 'pb',
  N: 'n',
  M: 'm',
  L: 'l',
  R: 'r',
  H: 'h',
})

/** Signs that stand for a letter of their own where another is written: K in “copy”, F in “photo”, S in “cell”. */
const soundsLike = table<RegExp>({ K: /[cq]/, F: /ph/, S: /c/, J: /g/ })

/** G before N is silent at the beginning and the end of a word: align, sign, gnome; so is the B of “thumb”. */
const silent = (word: string, letter: string): boolean =>
  (letter === 'g' && /^gn|g(?=n(s|ed|ing|ment|er)?$)/.test(word) && !/g(?!n)/.test(word)) ||
  (letter === 'b' && /mb(s|ed|ing)?$/.test(word) && !/b(?!(s|ed|ing)?$)/.test(word))

/** Consonants that are heard, which a silent letter or a vowel is not; among them those that are written otherwise. */
export const soundedLetters: LetterRule = ({ name }) =>
  meaningWords(name).flatMap((word) => {
    const heard = new Set<string>()
    for (const sign of new Set(doubleMetaphone(word).flatMap((code) => [...code]))) {
      for (const letter of writtenBy[sign] ?? '')
        if (word.includes(letter) && !silent(word, letter)) heard.add(letter)
      if (soundsLike[sign]?.test(word)) heard.add(sign.toLowerCase())
    }
    return [...heard].map((letter) => ({
      to: letter,
      score: ruleScores.sounded,
      reason: `${characterLegend(letter)} is heard in ${quoted(word)}.`,
    }))
  })

/** The number in a name or parameter: brush 3 on the key 3. */
export const numbers: LetterRule = ({ name, parameter }) =>
  wordsOf(`${name} ${parameter ?? ''}`)
    .filter((word) => /^\d$/.test(word))
    .slice(0, 1)
    .map((digit) => ({ to: digit, score: ruleScores.number, reason: `${digit} is its number.` }))

/** What the person has noted. */
export const hints: LetterRule = ({ hints: given = [] }) =>
  given.map(({ sign, kind, why }) => ({
    to: sign.toLocaleLowerCase(),
    score: ruleScores.hint,
    reason: `${characterLegend(sign)} ${kind === 'shape' ? 'looks like it' : 'stands for it'}${why === '' ? '' : `: ${why}`}.`,
  }))

/** The letters before and after the first one in the alphabet. */
export const alphabetNeighbours: LetterRule = ({ name }) => {
  const word = meaningWords(name)[0] ?? ''
  const at = word.charCodeAt(0)
  return [at - 1, at + 1]
    .filter((code) => code >= 97 && code <= 122 && at >= 97 && at <= 122)
    .map((code) => {
      const letter = String.fromCharCode(code)
      return {
        to: letter,
        score: ruleScores.alphabetNeighbour,
        reason: `${letter.toUpperCase()} is beside the first letter of ${quoted(word)} in the alphabet.`,
      }
    })
}

export const letterRules: readonly LetterRule[] = [
  firstLetters,
  hints,
  numbers,
  smallWords,
  lettersInside,
  soundedLetters,
  alphabetNeighbours,
]
