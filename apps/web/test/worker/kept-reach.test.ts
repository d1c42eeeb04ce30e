import { describe, expect, test } from 'vitest'
import { chordTable, prepare, type Modifier, type ReachSet } from '@reach-plot/core'
import { catalogues } from '../../src/worker/catalogues.js'
import { fillTable, reachShelf, type ReachShelf } from '../../src/worker/kept-reach.js'
import { demo } from '../build.js'

const { situation } = prepare(demo(), catalogues)
const sets = ([[], ['Control'], ['Shift'], ['Alt']] as Modifier[][]).map((held) => ({ held }))

/** A shelf as a browser's: one worker at a set at a time. */
function shelfInMemory() {
  const kept = new Map<string, ReachSet>()
  const busy = new Map<string, Promise<void>>()
  const shelf: ReachShelf = {
    get: (name) => Promise.resolve(structuredClone(kept.get(name)) ?? null),
    set: (name, value) => Promise.resolve(void kept.set(name, structuredClone(value))),
    async alone(name, isPatient, work) {
      const other = busy.get(name)
      if (other && !isPatient) return false
      await other
      const mine = work()
      busy.set(name, mine)
      await mine
      busy.delete(name)
      return true
    },
  }
  return { shelf, kept }
}

describe('reach that is kept between visits', () => {
  const plain = chordTable(situation)
  const wanted = sets.map(({ held }) => plain.withHeld(held))

  test('is worked out once, and taken over on the next visit', async () => {
    const { shelf } = shelfInMemory()
    const first = chordTable(situation)
    await fillTable(first, sets, shelf)
    expect(first.solved).toBe(plain.solved)
    const second = chordTable(situation)
    await fillTable(second, sets, shelf)
    expect(second.solved).toBe(0)
    expect(sets.map(({ held }) => second.withHeld(held))).toEqual(wanted)
  })
  test('two workers share it: each set is worked out by one of them', async () => {
    const { shelf } = shelfInMemory()
    const [a, b] = [chordTable(situation), chordTable(situation)]
    await Promise.all([fillTable(a, sets, shelf), fillTable(b, sets.toReversed(), shelf)])
    expect(a.solved + b.solved).toBe(plain.solved)
    expect(sets.map(({ held }) => b.withHeld(held))).toEqual(wanted)
    expect(sets.map(({ held }) => a.withHeld(held))).toEqual(wanted)
    expect(a.solved + b.solved).toBe(plain.solved)
  })
  test('what is no longer wanted is left', async () => {
    const table = chordTable(situation)
    let asked = 0
    await fillTable(table, sets, null, () => ++asked <= 2)
    expect(sets.filter(({ held }) => table.known(held)).length).toBe(1)
  })
  test('where the browser keeps nothing, all is worked out here', async () => {
    expect(await reachShelf('a situation')).toBeNull()
    const table = chordTable(situation)
    await fillTable(table, sets, null)
    expect(sets.map(({ held }) => table.withHeld(held))).toEqual(wanted)
  })
})
