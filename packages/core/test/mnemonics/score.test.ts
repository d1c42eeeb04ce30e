import { describe, expect, test } from 'vitest'
import { parseTrigger, ruleScores, type Command } from '../../src/index.js'
import { command, program, index } from '../build.js'

const read = (
  subject: Command,
  trigger: string,
  placed: Readonly<Record<string, string>> = {},
  others: readonly Command[] = [],
  layoutId = 'us',
) =>
  index([subject, ...others], placed, { layoutId, programs: [program(), reedcall] })
    .readerOf(subject)
    .score(parseTrigger(trigger))
const reedcall = program({ id: 'reedcall', name: 'Reedcall' })
const score = (name: string, trigger: string, layoutId = 'us') =>
  read(command(name), trigger, {}, [], layoutId)

describe('letters', () => {
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
  test('another word, then a letter that is heard, then one inside, then nothing', () => {
    expect(score('Hide shape', 'KeyS')).toEqual({
      score: ruleScores.firstOfOtherWord,
      reason: 'First letter of “shape”.',
    })
    expect(score('Hide shape', 'KeyD')).toEqual({
      score: ruleScores.sounded,
      reason: 'D is heard in “hide”.',
    })
    expect(score('Hide shape', 'KeyE')).toEqual({
      score: ruleScores.letterInside,
      reason: 'E is in “hide”.',
    })
    expect(score('Hide shape', 'KeyQ')).toEqual({ score: 0, reason: 'No link to the name.' })
    expect(score('Hide shape', 'F5').score).toBe(0)
  })
  test('a silent letter is not heard, a sounded one is', () => {
    // align, sign and designer have a silent g; grid, signal and ignore have not
    for (const name of ['Align left', 'Sign', 'Designer'])
      expect(score(name, 'KeyG').reason).not.toContain('heard')
    for (const name of ['Show grid', 'Signal', 'Ignore'])
      expect(score(name, 'KeyG').score).toBeGreaterThanOrEqual(ruleScores.sounded)
  })
  test('held modifiers change nothing about the letter', () => {
    expect(score('Hide shape', 'Control+Shift+KeyH').score).toBe(1)
  })
  test('the letter is the one printed on the key of the national layout', () => {
    expect(score('Zoom in', 'KeyY', 'de').score).toBe(1)
    expect(score('Zoom in', 'KeyZ', 'de').score).toBe(ruleScores.alphabetNeighbour)
    expect(score('Zoom in', 'KeyW', 'fr').score).toBe(1)
    expect(score('Ärger melden', 'Quote', 'de').reason).toBe('First letter of “ärger”.')
  })
  test('a number in the name or the parameter goes on its digit', () => {
    expect(read(command('Brush', { parameter: '3 of 12' }), 'Digit3')).toEqual({
      score: ruleScores.number,
      reason: '3 is its number.',
    })
    expect(read(command('Brush', { parameter: '12 of 12' }), 'Digit1').score).toBe(0)
  })
  test('hints of the person count, for letters and for keys without one', () => {
    const cut = command('Trim edge', {
      hints: [
        { sign: 'X', kind: 'shape', why: 'open scissors' },
        { sign: 'Delete', kind: 'idea', why: '' },
      ],
    })
    expect(read(cut, 'KeyX')).toEqual({ score: ruleScores.hint, reason: 'X looks like it: open scissors.' })
    expect(read(cut, 'Delete').reason).toBe('Delete stands for it.')
  })
})

describe('opposites', () => {
  const hide = command('Hide shape', { oppositeId: 'show-all-shapes' })
  const show = command('Show all shapes', { oppositeId: 'hide-shape' })
  test('on the same key with or without Shift it is nearly as good as the first letter', () => {
    expect(read(show, 'Shift+KeyH', { 'hide-shape': 'KeyH' }, [hide])).toEqual({
      score: ruleScores.opposite,
      reason: 'Its opposite “Hide shape” is on the same key, this one with Shift.',
    })
    expect(read(show, 'Control+Shift+KeyQ', { 'hide-shape': 'KeyQ' }, [hide]).score).toBe(0)
  })
  test('are found by pairs of words, in any form, in otherwise equal names', () => {
    const [pin, unpin] = [command('Showing contours'), command('Hide contour')]
    expect(read(pin, 'Shift+KeyQ', { 'hide-contour': 'KeyQ' }, [unpin]).reason).toMatch('Its opposite')
    expect(read(command('Show grid'), 'Shift+KeyQ', { 'hide-contour': 'KeyQ' }, [unpin]).score).toBe(0)
  })
  test('lie side by side in their natural direction', () => {
    const [next, previous] = [command('Next vertex'), command('Previous vertex')]
    expect(read(previous, 'KeyD', { 'next-vertex': 'KeyF' }, [next])).toEqual({
      score: ruleScores.sideBySide,
      reason: 'Lies to the left of its opposite “Next vertex”.',
    })
    // G is on the wrong side of F; K is not beside it
    expect(read(previous, 'KeyG', { 'next-vertex': 'KeyF' }, [next]).score).toBeLessThan(0.5)
    expect(read(previous, 'KeyK', { 'next-vertex': 'KeyF' }, [next]).score).toBe(0)
    // with the same modifiers only
    expect(read(previous, 'Shift+KeyD', { 'next-vertex': 'KeyF' }, [next]).score).toBeLessThan(0.5)
    expect(
      read(command('Raise node'), 'KeyQ', { 'lower-node': 'KeyA' }, [command('Lower node')]).reason,
    ).toBe('Lies above its opposite “Lower node”.')
  })
  test('words that lead somewhere go on arrows, turns and strokes that do', () => {
    expect(score('Pan left', 'ArrowLeft').reason).toBe('“left” leads left, as this does.')
    expect(score('Pan left', 'ArrowRight').score).toBe(0)
    expect(score('Increase width', 'pad/dial right').score).toBe(ruleScores.naturalWay)
    expect(score('Increase width', 'pad/dial left').score).toBe(0)
    expect(score('Move up', 'mouse/field stroke 0/8').score).toBe(ruleScores.naturalWay)
    expect(score('Move up', 'mouse/field stroke 1/8').score).toBe(0)
  })
  test('a pair of the person’s own takes the place of those that ship', () => {
    const [thaw, freeze] = [command('Melt tile'), command('Frost tile')]
    const memory = {
      wordPairs: [{ first: 'melt', second: 'frost', axis: 'opposite' as const }],
      sameIdeas: [],
      otherIdeas: [],
    }
    const given = index([thaw, freeze], { 'frost-tile': 'KeyQ' }, { memory })
    expect(given.readerOf(thaw).score(parseTrigger('Shift+KeyQ')).score).toBe(ruleScores.opposite)
    expect(
      index([command('Pan left')], {}, { memory })
        .readerOf(command('Pan left'))
        .score(parseTrigger('ArrowLeft')).score,
    ).toBe(0)
  })
})

test('the trigger of the same idea in another program is nearly as good as the first letter', () => {
  const there = command('Zoom to fit', { id: 'there', programId: 'reedcall' })
  expect(read(command('Zoom to fit'), 'Control+Digit0', { there: 'Control+Digit0' }, [there])).toEqual({
    score: ruleScores.sameIdea,
    reason: '“Zoom to fit” is on it in Reedcall.',
  })
})
