import type { Change } from '../compare/index.js'
import { triggerKey } from '../triggers/index.js'

/** Changes that come into use together, and the bundles that have to be in use before. */
export interface Bundle {
  readonly changes: readonly Change[]
  /** numbers of bundles that leave the places which this one takes */
  readonly after: readonly number[]
}

/**
 * Changes in bundles, so that no place ever carries two commands of one program: a change that takes the place of another waits for it, and
 * what waits for itself in a circle, as a swap does, is one bundle. Opposites that both change come together.
 */
export function bundlesOf(changes: readonly Change[]): Bundle[] {
  const leaving = new Map<string, number[]>()
  changes.forEach(({ command, from }, i) => {
    for (const trigger of from) {
      const key = `${command.programId} ${triggerKey(trigger)}`
      leaving.set(key, [...(leaving.get(key) ?? []), i])
    }
  })
  const numberOf = new Map(changes.map((c, i) => [c.command.id as string, i]))
  const needs = changes.map(({ command, to }, i) => {
    const places = to.flatMap((t) => leaving.get(`${command.programId} ${triggerKey(t)}`) ?? [])
    const opposite = command.oppositeId === undefined ? undefined : numberOf.get(command.oppositeId)
    return new Set([...places, ...(opposite === undefined ? [] : [opposite])].filter((other) => other !== i))
  })
  // an opposite waits for its partner, too
  needs.forEach((of, i) => {
    const partner = changes[i]?.command.oppositeId
    const at = partner === undefined ? undefined : numberOf.get(partner)
    if (at !== undefined && of.has(at)) needs[at]?.add(i)
  })
  const circles = circlesOf(needs)
  const bundleOf = new Int32Array(changes.length)
  circles.forEach((members, b) => members.forEach((i) => (bundleOf[i] = b)))
  return circles.map((members, b) => ({
    changes: members.map((i) => changes[i] as Change),
    after: [
      ...new Set(members.flatMap((i) => [...(needs[i] as Set<number>)].map((n) => bundleOf[n] as number))),
    ].filter((other) => other !== b),
  }))
}

/** Strongly connected parts of a graph: Tarjan (1972). What a part waits for comes before it. */
function circlesOf(needs: readonly ReadonlySet<number>[]): number[][] {
  const index = new Int32Array(needs.length).fill(-1)
  const low = new Int32Array(needs.length)
  const onStack = new Set<number>()
  const stack: number[] = []
  const out: number[][] = []
  let next = 0
  const visit = (i: number): void => {
    index[i] = low[i] = next++
    stack.push(i)
    onStack.add(i)
    for (const other of needs[i] as ReadonlySet<number>) {
      if (index[other] === -1) {
        visit(other)
        low[i] = Math.min(low[i] as number, low[other] as number)
      } else if (onStack.has(other)) low[i] = Math.min(low[i] as number, index[other] as number)
    }
    if (low[i] !== index[i]) return
    const members: number[] = []
    for (let member = stack.pop(); member !== undefined; member = stack.pop()) {
      onStack.delete(member)
      members.push(member)
      if (member === i) break
    }
    out.push(members.toSorted((a, b) => a - b))
  }
  needs.forEach((_, i) => {
    if (index[i] === -1) visit(i)
  })
  return out
}
