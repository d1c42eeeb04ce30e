import { expect, test } from 'vitest'
import { chord, mnemonicScore, parseTrigger, ruleScores } from '../../src/index.js'
import { command, layout } from '../build.js'

const us = layout('us')
const score = (name: string, trigger: string, layoutId = 'us') =>
  mnemonicScore(command(name), parseTrigger(trigger), layout(layoutId))

test('the first letter of the main word is best, and says so', () => {
  expect(score('Hide shape', 'KeyH')).toEqual({
    score: ruleScores.firstOfMainWord,
    reason: 'First letter of “hide”.',
  })
})

test('words without meaning are passed over', () => {
  expect(score('Show all shapes', 'KeyA').score).toBe(ruleScores.letterInside)
  expect(score('The tide line', 'KeyT').reason).toBe('First letter of “tide”.')
})

test('another word, then a letter inside, then nothing', () => {
  expect(score('Hide shape', 'KeyS')).toEqual({
    score: ruleScores.firstOfOtherWord,
    reason: 'First letter of “shape”.',
  })
  expect(score('Hide shape', 'KeyD')).toEqual({ score: ruleScores.letterInside, reason: 'D is in “hide”.' })
  expect(score('Hide shape', 'KeyQ')).toEqual({ score: 0, reason: 'No link to the name.' })
  expect(score('Hide shape', 'F5').score).toBe(0)
})

test('held modifiers change nothing about the letter', () => {
  expect(score('Hide shape', 'Control+Shift+KeyH').score).toBe(1)
})

test('the letter is the one printed on the key of the national layout', () => {
  expect(score('Zoom in', 'KeyY', 'de').score).toBe(1)
  expect(score('Zoom in', 'KeyZ', 'de').score).toBe(0)
  expect(score('Ärger melden', 'Quote', 'de').reason).toBe('First letter of “ärger”.')
})

test('an opposite on the same key with or without Shift is nearly as good as the first letter', () => {
  const opposite = { name: 'Hide shape', triggers: [chord('KeyH')] }
  expect(mnemonicScore(command('Show all shapes'), chord('KeyH', ['Shift']), us, opposite)).toEqual({
    score: ruleScores.opposite,
    reason: 'Its opposite “Hide shape” is on the same key, this one with Shift.',
  })
  expect(mnemonicScore(command('Xenon'), chord('KeyH', ['Control', 'Shift']), us, opposite).score).toBe(0)
  expect(mnemonicScore(command('Xenon'), chord('KeyH'), us, opposite).score).toBe(0)
})
