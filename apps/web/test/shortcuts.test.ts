import { expect, test } from 'vitest'
import { browserCombos } from '@reach-plot/data'
import { appActions, comboFor, refuseCombo } from '../src/parts/shortcuts/actions.js'
import { comboName, comboOf } from '../src/parts/shortcuts/combo.js'

const event = (
  key: string,
  held: Partial<Record<'ctrlKey' | 'altKey' | 'shiftKey' | 'metaKey', boolean>> = {},
) => ({ key, ctrlKey: false, altKey: false, shiftKey: false, metaKey: false, ...held })

// Source: the keys that a browser of Debian keeps, and function and tab keys from memory
test('no default of the app is a key of the browser, and all differ', () => {
  expect(appActions.filter((a) => browserCombos.includes(a.combo))).toEqual([])
  expect(new Set(appActions.map((a) => a.combo)).size).toBe(appActions.length)
})

test('a combination is refused when the browser, the focus or another action has it', () => {
  expect(refuseCombo('Control+t', 'find', {})).toMatch(/browser/)
  expect(refuseCombo('Tab', 'find', {})).toMatch(/focus/)
  expect(refuseCombo('?', 'find', {})).toMatch(/Show the shortcuts/)
  expect(refuseCombo('x', 'find', {})).toBeNull()
  expect(refuseCombo('?', 'find', { shortcuts: 'F8' })).toBeNull()
  expect(comboFor('find', { find: 'x' })).toBe('x')
})

test('combinations are named by the sign that is typed', () => {
  expect(comboOf(event('?', { shiftKey: true }))).toBe('?')
  expect(comboOf(event('Z', { ctrlKey: true, shiftKey: true }))).toBe('Control+Shift+z')
  expect(comboOf(event('F8', { shiftKey: true }))).toBe('Shift+F8')
  expect(comboOf(event(' '))).toBe('Space')
  expect(comboOf(event('Shift', { shiftKey: true }))).toBeNull()
  expect(comboName('Control++')).toBe('Ctrl++')
})
