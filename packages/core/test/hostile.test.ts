import { describe, expect, test } from 'vitest'
import {
  placesOn,
  prepare,
  benchCandidates,
  findClashes,
  pageFor,
  readPlan,
  writePlan,
  dayLoad,
  prepareWork,
} from '../src/index.js'
import { attack } from '../bench/hostile.js'
import { smallPlan } from '../bench/hostile-inputs.js'
import { catalogues } from './work/desk.js'

describe('inputs that are meant to break a reader', () => {
  test('are taken or refused with a code, and what is taken can be checked, ranked, timed and labelled', () => {
    const { taken, uncoded } = attack(7, 1500, 200)
    expect(uncoded).toEqual([])
    // a reader that refuses everything would be safe too
    for (const name of ['plan', 'mend', 'commands', 'log', 'dump', 'device', 'stock', 'icon'])
      expect(taken[name] ?? 0, name).toBeGreaterThan(3)
  }, 120_000)
})

describe('names that every object has', () => {
  const words = [
    'constructor',
    'toString',
    'valueOf',
    'hasOwnProperty',
    '__proto__',
    'isPrototypeOf',
    '__defineGetter__',
    'propertyIsEnumerable',
    'toLocaleString',
  ]
  /** The plan with its ids changed; nothing else of it is. */
  const renamed = (): { plan: ReturnType<typeof smallPlan>; back: Map<string, string> } => {
    const plan = smallPlan()
    const ids = [...plan.commands.map((c) => c.id), 'draw', 'main']
    const back = new Map(
      ids.map((id, i) => [words[i % words.length]! + (i >= words.length ? String(i) : ''), id]),
    )
    let text = writePlan({ ...plan, usage: null })
    for (const [to, from] of back) text = text.replaceAll(`"${from}"`, JSON.stringify(to))
    return { plan: readPlan(text), back }
  }
  const figures = (plan: ReturnType<typeof smallPlan>) => {
    const model = prepare(plan, catalogues)
    const { env, index, arrangement, reachAt } = model
    const [command] = plan.commands
    const places = placesOn(
      command!,
      benchCandidates(index, [[]], (id) => pageFor(id, command!.programId, env)),
      reachAt,
      index,
      plan.weights,
    )
    return {
      clashes: findClashes(arrangement.placements, env).map((c) => [c.kind, c.severity, c.commandIds.length]),
      places: places.map((p) => Math.round(p.totalMs)),
      day: dayLoad(plan.commands, plan.routines, plan.hoursPerDay, prepareWork(model).context).msPerHour,
    }
  }
  test('change no figure when they are the ids of commands and contexts', () => {
    const { plan } = renamed()
    const found = figures(plan)
    expect(found).toEqual(figures(smallPlan()))
    expect(found.places.every(Number.isFinite)).toBe(true)
  })
})
