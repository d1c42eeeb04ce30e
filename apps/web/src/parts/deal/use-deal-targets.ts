import { useMemo } from 'react'
import { pagesOf, plainTriggers, readingOrder, type BenchControl, type Trigger } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Something that commands can be dealt onto: a page, a device, a part of a keyboard, a pop-up set. */
export interface DealTarget {
  readonly id: string
  readonly name: string
  /** as one reads */
  readonly triggers: readonly Trigger[]
}

/** Parts of a keyboard that are a set of their own. */
const boardParts = [
  { id: 'numbers', name: 'number block', has: /^Numpad/ },
  { id: 'functions', name: 'function keys', has: /^F\d+$/ },
  { id: 'digits', name: 'row of digits', has: /^Digit\d$/ },
  { id: 'letters', name: 'letters', has: /^Key[A-Z]$/ },
] as const

const triggersOn = (controls: readonly BenchControl[], pageId?: string): Trigger[] =>
  readingOrder(controls).flatMap((c) => plainTriggers(c, [], pageId))

/** All that commands can be dealt onto on this bench. */
export function useDealTargets(): readonly DealTarget[] {
  const plan = usePlan()
  const { env, bench, arrangement } = useDerived()
  return useMemo(() => {
    const onDevices = bench.devices.flatMap(({ deviceId }): DealTarget[] => {
      const device = plan.devices.find((d) => d.id === deviceId)
      const controls = env.controls.filter(
        (c) => c.deviceId === deviceId && c.type !== 'field' && c.clicks !== true,
      )
      if (!device || controls.length === 0) return []
      if (device.kind === 'board')
        return boardParts.map(({ id, name, has }) => ({
          id: `${deviceId} ${id}`,
          name: `${device.name}, ${name}`,
          triggers: triggersOn(controls.filter((c) => c.code !== null && has.test(c.code))),
        }))
      const pages = pagesOf(device)
      return pages.length === 0
        ? [{ id: deviceId, name: device.name, triggers: triggersOn(controls) }]
        : pages.map((page) => ({
            id: `${deviceId} ${page.id}`,
            name: `${device.name}, page ${page.name}`,
            triggers: triggersOn(controls, page.id),
          }))
    })
    const onSets = arrangement.popups.map((set) => ({
      id: `popup ${set.id}`,
      name: `pop-up set ${set.name}`,
      triggers: Array.from({ length: set.entries }, (_, i): Trigger => ({
        kind: 'popup',
        setId: set.id,
        entry: i + 1,
      })),
    }))
    return [...onDevices, ...onSets].filter((target) => target.triggers.length > 0)
  }, [plan.devices, env.controls, bench, arrangement.popups])
}
