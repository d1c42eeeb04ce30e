import { beforeEach, describe, expect, test, vi } from 'vitest'
import { heldOf, triggerKey, type Trigger } from '@reach-plot/core'
import { useActList } from '../../src/parts/triggers/use-act-list.js'
import { open, planNow, screenOf } from './screen.js'

vi.mock('../../src/worker/reach-client.js', async () => {
  const { reachInPlace } = await import('./screen.js')
  const service = reachInPlace()
  return { reachService: () => service }
})

beforeEach(() => open())

describe('choosing a trigger by hand', () => {
  const mouse = () =>
    planNow().devices.find((d) => d.kind === 'drawn' && d.controls.some((c) => c.type === 'wheel'))!
  const padKey: Trigger = { kind: 'button', modifiers: [], deviceId: 'pad', controlId: 'k1', act: 'press' }
  const acts = (trigger: Trigger) => screenOf(() => useActList(trigger, undefined)).result.current

  test('a wheel is on the bench, and is taken with a modifier, since it scrolls without one', () => {
    const { devices, actOn } = acts(padKey)
    const wheel = devices.find((d) => d.id === mouse().id)!.controls.find((c) => c.type === 'wheel')!
    const turned = actOn(wheel.id)!
    expect(turned.kind).toBe('turn')
    expect(heldOf(turned)).toEqual(['Control'])
    const there = acts(turned)
    expect(there.control?.id).toBe(wheel.id)
    expect(there.groups.flatMap((g) => g.rows).length).toBeGreaterThan(1)
  })
  test('what is set stays listed, though it is more than is offered', () => {
    const three: Trigger = { kind: 'chord', modifiers: ['Control', 'Shift', 'Alt'], code: 'KeyA' }
    const keys = acts(three).groups.flatMap((g) => g.rows.map((r) => r.key))
    expect(keys).toContain(triggerKey(three))
    expect(new Set(keys).size).toBe(keys.length)
  })
})
