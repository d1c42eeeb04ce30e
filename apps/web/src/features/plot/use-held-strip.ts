import { useMemo } from 'react'
import {
  commandsMet,
  freePlaces,
  keyLegend,
  modifierSets,
  plainTriggers,
  reservedBy,
  triggerKey,
  type Modifier,
  type Trigger,
} from '@reach-plot/core'
import { holdersInFront, refOfControl } from '../../drawing/chart-faces.js'
import { offeredHeld } from '../../parts/held-sets.js'
import { modifierSetName, reservedNote, verdictWords } from '../../parts/words.js'
import { heldKey, useReachOfSets } from '../../store/reach.js'
import { useDerived, useFront, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { useBenchTriggers } from './use-places.js'

/** Free places of a set of modifiers for the program in use; null while its reach is not known. */
export interface FreeCount {
  readonly easy: number
  readonly stretch: number
}

/** What one key does under a set of modifiers. */
interface KeyThere {
  readonly text: string
  readonly reach: string
  readonly isTaken: boolean
  readonly isReserved: boolean
}

export interface HeldTab {
  readonly held: readonly Modifier[]
  readonly key: string
  readonly name: string
  readonly free: FreeCount | null
  /** the key under the pointer or focus, with this set; null for none */
  readonly there: KeyThere | null
}

/** Free places of each set, as far as their reach is known. */
function useFreeCounts(): ReadonlyMap<string, FreeCount> {
  const { index } = useDerived()
  const { programId } = useFront()
  const { candidates, reachAt } = useBenchTriggers()
  return useMemo(() => {
    const counts = new Map<string, { easy: number; stretch: number }>()
    for (const { candidate, reach } of freePlaces(candidates, reachAt, index, 'stretch', programId)) {
      if (!candidate.plain) continue
      const key = heldKey(candidate.held)
      const count = counts.get(key) ?? { easy: 0, stretch: 0 }
      counts.set(key, count)
      if (reach.verdict === 'stretch') count.stretch++
      else count.easy++
    }
    return counts
  }, [candidates, reachAt, index, programId])
}

/** What the key under the pointer or focus does with each set of modifiers; null where there is no such key. */
function useKeyThere(): { legend: string | null; at: (held: readonly Modifier[]) => KeyThere | null } {
  const controlRef = useView((s) => s.hovered ?? s.controlRef)
  const derived = useDerived()
  const front = useFront()
  const pageOf = usePageOf()
  const { env, index } = derived
  const { reachOf } = useReachOfSets(offeredHeld(env.layout))
  const found = env.controls.find((c) => refOfControl(c) === controlRef)
  const page = found?.code === null ? pageOf(found.deviceId) : undefined
  const control = found && plainTriggers(found, [], page).length > 0 ? found : undefined
  const program = env.programs.find((p) => p.id === front.programId)
  // a hold, a tap or a pair on the key: it is not free
  const otherwise = (of: readonly Trigger[]) =>
    of.flatMap((t) => commandsMet(t, index)).find((c) => c.programId === program?.id)
  const at = (held: readonly Modifier[]): KeyThere | null => {
    const triggers = control ? plainTriggers(control, held, page) : []
    const [first] = triggers
    if (!first) return null
    const holder = triggers.flatMap((t) => holdersInFront(derived, front, triggerKey(t)))[0]
    const reserved = triggers.length === 1 ? reservedBy(first, index, program) : null
    const reach = reachOf(first)
    return {
      text:
        holder?.name ?? (reserved !== null ? reservedNote(reserved) : (otherwise(triggers)?.name ?? 'free')),
      reach: !reach
        ? ''
        : reach.verdict === 'away'
          ? verdictWords.away
          : // the column is narrow
            `${verdictWords[reach.verdict].replace(/^an? /, '')} ${Math.round(reach.timeMs)}`,
      isTaken: holder !== undefined,
      isReserved: reserved !== null,
    }
  }
  const legend = !control
    ? null
    : control.code === null
      ? (control.name ?? '')
      : keyLegend(control.code, env.layout, env.systemId)
  return { legend, at }
}

/** The sets of modifiers under the chart: how many places are free with each, or what the key looked at does. */
export function useHeldStrip() {
  const { env } = useDerived()
  const held = useHeld()
  const set = useView((s) => s.set)
  const counts = useFreeCounts()
  const { reachBySet } = useReachOfSets(offeredHeld(env.layout))
  const { legend, at } = useKeyThere()
  const offered = offeredHeld(env.layout)
  const isOffered = (one: readonly Modifier[]): boolean => offered.some((o) => o.join() === one.join())
  const shown = isOffered(held) ? offered : [...offered.slice(0, -1), held]
  const tabs = shown.map((one): HeldTab => {
    const key = heldKey(one)
    return {
      held: one,
      key,
      name: modifierSetName(one, env.systemId),
      free: reachBySet[key] || counts.has(key) ? (counts.get(key) ?? { easy: 0, stretch: 0 }) : null,
      there: at(one),
    }
  })
  const more = modifierSets(env.layout.altGraph).filter((one) => !shown.some((s) => s.join() === one.join()))
  const choose = (chosen: readonly Modifier[]): void => set({ chosenHeld: chosen, pressedHeld: [] })
  return { tabs, more, legend, heldName: heldKey(held), choose, systemId: env.systemId }
}
