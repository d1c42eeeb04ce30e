import { expect, test } from 'vitest'
import { canBeLiveTogether, contextsOverlap, searchCommands } from '../../src/index.js'
import { command, program } from '../build.js'

test('contexts overlap with themselves and where either side says so', () => {
  expect(contextsOverlap(program(), 'tracing', 'tracing')).toBe(true)
  expect(contextsOverlap(program(), 'tracing', 'overview')).toBe(true)
  expect(contextsOverlap(program(), 'overview', 'tracing')).toBe(true)
  expect(contextsOverlap(program(), 'tracing', 'labelling')).toBe(false)
})

test('a command without contexts is live everywhere in its program and nowhere else', () => {
  const everywhere = command('Undo')
  const tracing = command('Split', { contextIds: ['tracing'] })
  expect(canBeLiveTogether(everywhere, tracing, program())).toBe(true)
  expect(canBeLiveTogether(tracing, command('Place name', { contextIds: ['labelling'] }), program())).toBe(
    false,
  )
  expect(canBeLiveTogether(everywhere, command('Play', { programId: 'reedcall' }), program())).toBe(false)
})

test('search wants every word, in name or menu, and puts beginnings and use first', () => {
  const list = [
    command('Unhide', { usesPerHour: 90 }),
    command('Show hide marks', { usesPerHour: 2 }),
    command('Hide shape', { usesPerHour: 5 }),
    command('Hide label', { usesPerHour: 8, menu: ['Label', 'Hide'] }),
    command('Zoom'),
  ]
  expect(searchCommands(list, 'hide').map((c) => c.name)).toEqual([
    'Hide label',
    'Hide shape',
    'Show hide marks',
    'Unhide',
  ])
  expect(searchCommands(list, 'label hide').map((c) => c.name)).toEqual(['Hide label'])
  expect(searchCommands([command('Ärger')], 'arger')).toHaveLength(1)
})
