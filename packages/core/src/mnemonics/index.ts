export { ruleScores, type Link, type MnemonicScore } from './score.js'
export { meaningWords, stemOf } from './words.js'
export {
  memorySchema,
  noMemory,
  pairAxes,
  shippedWordPairs,
  type Memory,
  type WordPair,
} from './word-pairs.js'
export { isSameStep, nameLikeness, sharedIdeas, stepWordOf, type Idea } from './ideas.js'
export { neighboursOf, type Neighbours } from './neighbours.js'
export { mnemonicContext, type MnemonicContext } from './context.js'
export { mnemonicReader, type MnemonicReader } from './reader.js'
export { letterConflicts, type LetterConflict } from './conflicts.js'
export { areOppositeWays, isShiftPartner, onSpot, oppositeWay, toggleShift } from './trigger-partners.js'
