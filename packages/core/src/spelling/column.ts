import { triggerKey } from '../triggers/index.js'
import { readKeys } from './cell.js'
import { isButtonWord } from './controls.js'
import { isLetterPair, plainStyle, type Speller, type SpellingStyle } from './style.js'

/** More cells than this tell no more about how a column writes. */
const mostLookedAt = 2000

/**
 * What the cells of a column tell together: whether capitals are with Shift, a comma is "then" or "or", a hyphen is no
 * key, and signs are modifiers. Each is decided by what explains the most cells.
 */
export function settleStyle(cells: readonly string[], speller: Speller): SpellingStyle {
  const sample = cells.slice(0, mostLookedAt).map((c) => c.trim())
  const style = {
    ...plainStyle,
    capitalIsShift: tellsCapitals(sample),
    dashIsNone: sample.filter((c) => c === '-').length > 1,
    lettersAreSequence: tellsLetterPairs(sample),
    wordsAreButtons: tellsButtons(sample),
    signsAreModifiers: sample.filter((c) => /^[@~$^]+.$|^[@~$]\S/u.test(c)).length > sample.length / 5,
  }
  const commas = sample.filter((c) => /,\s*\S/.test(c))
  if (commas.length === 0) return style
  const sequence = { ...style, commaIsSequence: true }
  return collisions(commas, speller, sequence) < collisions(commas, speller, style) ? sequence : style
}

/** The same key with small and capital letters, alone or after the same modifiers: then they are two. */
function tellsCapitals(cells: readonly string[]): boolean {
  const small = new Set<string>()
  const capital = new Set<string>()
  for (const cell of cells) {
    const found = /^(|.*[-\s<>])([A-Za-z])$/.exec(cell)
    if (!found) continue
    const [, before = '', letter = ''] = found
    const name = `${before}${letter.toLowerCase()}`
    ;(letter === letter.toLowerCase() ? small : capital).add(name)
  }
  const both = [...small].filter((name) => capital.has(name)).length
  // small letters alone would be written as capitals, where capitals were the usual
  return both > 0
}

/** Single letters are the usual, and among the pairs some letter is doubled: `gg` beside `j`, `k`, `x`. */
function tellsLetterPairs(cells: readonly string[]): boolean {
  const pairs = new Set(cells.filter(isLetterPair))
  const singles = new Set(cells.filter((c) => /^[A-Za-z]$/.test(c)))
  const words = cells.filter((c) => /^[A-Za-z]{3,}$/.test(c) && !c.includes('+')).length
  return pairs.size > 0 && singles.size >= 3 && singles.size > words && [...pairs].some(([a, b]) => a === b)
}

/** All are buttons' words, and one is the middle: no arrow key is called so. */
const tellsButtons = (cells: readonly string[]): boolean => {
  const filled = cells.filter((c) => c !== '')
  return filled.length > 1 && filled.every(isButtonWord) && filled.some((c) => /middle$/i.test(c))
}

/** How often a key would stand for two rows. */
function collisions(cells: readonly string[], speller: Speller, style: SpellingStyle): number {
  const seen = new Map<string, number>()
  for (const cell of cells) {
    const read = readKeys(cell, speller, style)
    if ('why' in read) continue
    for (const trigger of read.triggers) {
      const key = triggerKey(trigger)
      seen.set(key, (seen.get(key) ?? 0) + 1)
    }
  }
  return [...seen.values()].reduce((sum, n) => sum + n - 1, 0)
}
