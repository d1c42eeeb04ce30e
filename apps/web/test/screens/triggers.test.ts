import { beforeEach, describe, expect, test, vi } from 'vitest'
import { heldOf, triggerKey, type Trigger } from '@reach-plot/core'
import { useTriggerField } from '../../src/parts/triggers/use-trigger-field.js'
import { doing, open, planNow, screenOf } from './screen.js'

vi.mock('../../src/worker/reach-client.js', async () => {
  const { reachInPlace } = await import('./screen.js')
  const service = reachInPlace()
  return { reachService: () => service }
})

beforeEach(() => open())

describe('choosing a trigger by hand', () => {
  const mouse = () =>
    planNow().devices.find((d) => d.kind === 'drawn' && d.controls.some((c) => c.type === 'wheel'))!
  test('a wheel is on the bench, and is taken with a modifier, since it scrolls without one', async () => {
    let trigger: Trigger = { kind: 'button', modifiers: [], deviceId: 'pad', controlId: 'k1', act: 'press' }
    const onChange = (next: Trigger): void => void (trigger = next)
    const { result, rerender } = screenOf(() => useTriggerField({ trigger, onChange }))
    const wheel = result.current.controls.find((c) => c.deviceId === mouse().id && c.type === 'wheel')!
    expect(wheel).toBeDefined()
    await doing(() => result.current.toControl(wheel))
    expect(trigger.kind).toBe('turn')
    expect(heldOf(trigger)).toEqual(['Control'])
    rerender()
    expect(result.current.control?.id).toBe(wheel.id)
    expect(result.current.ways.length).toBeGreaterThan(1)
  })
  test('a key keeps the modifiers that are held', async () => {
    let trigger: Trigger = { kind: 'chord', modifiers: ['Shift'], code: 'KeyA' }
    const { result } = screenOf(() => useTriggerField({ trigger, onChange: (next) => void (trigger = next) }))
    const h = result.current.controls.find((c) => c.code === 'KeyH')!
    await doing(() => result.current.toControl(h))
    expect(triggerKey(trigger)).toBe('Shift+KeyH')
  })
})
