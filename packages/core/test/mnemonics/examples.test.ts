/** Forty links as people give them: invented (i), or common practice without a source (c). */
import { expect, test } from 'vitest'
import { parseTrigger, type Command } from '../../src/index.js'
import { command, program, index } from '../build.js'

const us = 'us'
type Row = [origin: 'i' | 'c', name: string, trigger: string, atLeast: number, layoutId?: string]

/** name, trigger, the least score that a person would give it */
const links: readonly Row[] = [
  ['c', 'Save', 'Control+KeyS', 1],
  ['c', 'Open', 'Control+KeyO', 1],
  ['c', 'Print', 'Control+KeyP', 1],
  ['c', 'Find', 'Control+KeyF', 1],
  ['c', 'Copy', 'Control+KeyC', 1],
  ['c', 'New', 'Control+KeyN', 1],
  ['c', 'Bold', 'Control+KeyB', 1],
  ['c', 'Italic', 'Control+KeyI', 1],
  ['c', 'Underline', 'Control+KeyU', 1],
  ['c', 'Group', 'Control+KeyG', 1],
  ['c', 'Duplicate', 'Control+KeyD', 1],
  ['c', 'Select all', 'Control+KeyA', 0.3],
  ['c', 'Zoom', 'KeyZ', 1],
  ['c', 'Move left', 'ArrowLeft', 0.8],
  ['c', 'Move up', 'ArrowUp', 0.8],
  ['c', 'Next page', 'ArrowRight', 0.8],
  ['c', 'Previous page', 'ArrowLeft', 0.8],
  ['c', 'Scroll down', 'mouse/wheel down', 0.8],
  ['c', 'Export', 'KeyX', 0.3],
  ['c', 'Exit', 'KeyX', 0.3],
  ['c', 'Quick view', 'KeyK', 0.4],
  ['c', 'Pen 1', 'Digit1', 0.9],
  ['c', 'Pen 2', 'Digit2', 0.9],
  ['c', 'Zoom', 'KeyY', 1, 'de'],
  ['i', 'Hide shape', 'KeyH', 1],
  ['i', 'Hide shape', 'KeyS', 0.7],
  ['i', 'Trace edge', 'KeyE', 0.7],
  ['i', 'Mark done', 'KeyD', 0.7],
  ['i', 'Tag the call', 'KeyC', 0.7],
  ['i', 'Photograph', 'KeyF', 0.5],
  ['i', 'Cell edge', 'KeyS', 0.5],
  ['i', 'Fix coast', 'KeyX', 0.3],
  ['i', 'Increase depth', 'pad/dial right', 0.8],
  ['i', 'Decrease depth', 'pad/dial left', 0.8],
  ['i', 'Raise node', 'mouse/field stroke 0/4', 0.8],
  ['i', 'Later edge', 'mouse/field stroke 2/8', 0.8],
  ['i', 'Earlier edge', 'mouse/field stroke 6/8', 0.8],
  ['i', 'Azimut setzen', 'KeyQ', 1, 'fr'],
  ['i', 'Öffnung messen', 'Semicolon', 1, 'de'],
  ['i', 'Stop', 'KeyT', 0.35],
]

test('there are forty of them', () => expect(links.length).toBe(40))

test.each<Row>([...links])('(%s) “%s” on %s is worth at least %f', (...row) => {
  const [, name, trigger, atLeast, layoutId = us] = row
  const subject: Command = command(name)
  const found = index([subject], {}, { layoutId, programs: [program()] })
    .readerOf(subject)
    .score(parseTrigger(trigger))
  expect(found.score, found.reason).toBeGreaterThanOrEqual(atLeast)
})

test.each([
  ['Save', 'KeyQ'],
  ['Move left', 'ArrowRight'],
  ['Increase depth', 'pad/dial left'],
  ['Hide shape', 'F7'],
  ['Pen 1', 'Digit7'],
])('“%s” on %s has no link', (name, trigger) => {
  const subject = command(name)
  expect(index([subject]).readerOf(subject).score(parseTrigger(trigger)).score).toBe(0)
})
