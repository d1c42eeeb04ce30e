export { mnemonicScore, ruleScores, isShiftPartner, toggleShift, type MnemonicScore } from './score.js'
export { meaningWords } from './words.js'
