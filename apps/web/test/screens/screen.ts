import { act, renderHook } from '@testing-library/react'
import { createElement, type ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { chordTable, type ChordTable, type Plan } from '@reach-plot/core'
import { usePlanStore } from '../../src/store/plan-store.js'
import { useView } from '../../src/store/view-store.js'
import type { KeyedSituation, ReachService } from '../../src/worker/reach-protocol.js'
import { demo } from '../build.js'

/** The reach worker without a thread: the same table, asked at once. */
export function reachInPlace(): ReachService {
  let current: { key: string; table: ChordTable } | null = null
  const tableOf = (situation: KeyedSituation): ChordTable => {
    if (current?.key !== situation.key) current = { key: situation.key, table: chordTable(situation) }
    return current.table
  }
  return {
    withHeld: (situation, held, withId) => Promise.resolve(tableOf(situation).withHeld(held, withId)),
    chart: () => ({ times: [], efforts: [] }),
  }
}

const start = useView.getState()

/** Opens the demo, or another plan, with nothing chosen. */
export function open(plan: Plan = demo()): void {
  usePlanStore.getState().replace(plan)
  usePlanStore.temporal.getState().clear()
  useView.setState(start, true)
}

export const planNow = (): Plan => usePlanStore.getState().plan!

/** A hook of a screen, alive until the test ends. */
export const screenOf = <T>(use: () => T) =>
  renderHook(use, {
    wrapper: ({ children }: { children: ReactNode }) => createElement(MemoryRouter, null, children),
  })

/** Does something and lets all that follows from it happen, answers of workers too. */
export const doing = (what: () => void): Promise<void> =>
  act(async () => {
    what()
    await new Promise((done) => setTimeout(done, 250))
  })

/** Waits for something that follows in its own time. */
export async function until(holds: () => boolean, withinMs = 20_000): Promise<void> {
  const end = Date.now() + withinMs
  while (!holds()) {
    if (Date.now() > end) throw new Error(`not within ${withinMs} ms`)
    await doing(() => undefined)
  }
}
