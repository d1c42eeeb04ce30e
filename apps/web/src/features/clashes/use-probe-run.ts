import { useMemo, useState } from 'react'
import { heldOf, sentBy, triggerKey, type Chord, type Probe, setProbe } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useProbe } from './use-probe.js'

const doubtfulStages = ['system', 'input method', 'host']

/** Chords of the arrangement that something else may take: found by the check, or of a kind that systems often take. */
function useDoubtful(): readonly Chord[] {
  const { arrangement, clashes, index } = useDerived()
  return useMemo(() => {
    const found = new Map<string, Chord>()
    const add = (chord: Chord): void => void found.set(triggerKey(chord), chord)
    for (const clash of clashes)
      if (doubtfulStages.includes(clash.stage)) for (const sent of sentBy(clash.trigger)) add(sent)
    for (const { trigger, sends } of arrangement.placements)
      for (const sent of sentBy(trigger, sends)) {
        const held = heldOf(sent)
        const isRisky =
          held.includes('Meta') ||
          (held.includes('Control') && held.includes('Alt')) ||
          index.stages.system(sent) !== null
        if (isRisky) add(sent)
      }
    return [...found.values()]
  }, [arrangement, clashes, index])
}

/** What is shown and can be done there. */
export function useProbeRun() {
  const plan = usePlan()
  const edit = useEdit()
  const { env, bench } = useDerived()
  const doubtful = useDoubtful()
  const [queue, setQueue] = useState<readonly Chord[] | null>(null)
  const chord = queue?.[0] ?? null
  const probes = (bench.probes ?? []).filter((p) => p.system === plan.system)
  const resultOf = (c: Chord): Probe['result'] | undefined =>
    probes.find((p) => p.chord === triggerKey(c))?.result
  const next = (): void => setQueue((q) => (q && q.length > 1 ? q.slice(1) : null))
  const settle = (result: Probe['result']): void => {
    if (!chord) return
    edit((draft) => setProbe(draft, triggerKey(chord), result))
    next()
  }
  const { stage, again } = useProbe(chord, env.layout, () => settle('arrives'))
  const open = doubtful.filter((c) => resultOf(c) === undefined)
  return { chord, queue, env, stage, settle, again, next, setQueue, doubtful, open, resultOf, edit }
}

export type ProbeRunView = ReturnType<typeof useProbeRun>
