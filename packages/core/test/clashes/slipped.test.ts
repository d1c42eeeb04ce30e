import { expect, test } from 'vitest'
import { triggerKey, whatHappened } from '../../src/index.js'
import { command } from '../build.js'
import { scene, tracing } from './desk.js'

const commands = [
  command('Delete all', { id: 'seen', ...tracing }),
  command('Busy', { id: 'busy', ...tracing, usesPerHour: 100 }),
  command('Rare', { id: 'rare', ...tracing, usesPerHour: 1 }),
  command('Far', { id: 'far', ...tracing, usesPerHour: 500 }),
  command('Other mode', { id: 'other', contextIds: ['labelling'], usesPerHour: 500 }),
]
const { placements, env } = scene({
  commands,
  places: { seen: 'KeyD', busy: 'KeyF', rare: 'Shift+KeyD', far: 'KeyJ', other: 'KeyS' },
})
const found = (meantId?: string) =>
  whatHappened(commands[0]!, placements, env, meantId ?? null).map((s) => [
    s.meant?.command.id ?? null,
    s.how,
    triggerKey(s.pressed),
  ])

test('what lies beside it and is pressed most comes first, other contexts and far keys never', () => {
  expect(found()).toEqual([
    ['busy', 'beside', 'KeyD'],
    ['rare', 'modifier', 'KeyD'],
    [null, 'itself', 'KeyD'],
  ])
})
test('what was meant comes first', () => {
  expect(found('rare')[0]![0]).toBe('rare')
})
test('chances are those of the check: 0.2 % next door', () => {
  expect(whatHappened(commands[0]!, placements, env)[0]!.slipsPerHour).toBeCloseTo(0.2, 9)
})
