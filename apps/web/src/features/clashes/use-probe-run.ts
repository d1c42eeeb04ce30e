import { useMemo, useState } from 'react'
import {
  heldOf,
  parseTrigger,
  readTrigger,
  sentBy,
  setProbe,
  triggerKey,
  type Chord,
  type Probe,
} from '@reach-plot/core'
import { problemInWords } from '../../store/problem.js'
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
  const found = useDoubtful()
  const [fault, setFault] = useState('')
  const [queue, setQueue] = useState<readonly Chord[] | null>(null)
  const chord = queue?.[0] ?? null
  const probes = (bench.probes ?? []).filter((p) => p.system === plan.system)
  // what was asked for once stays in the list, so that it can be forgotten
  const others = probes.flatMap((p) => {
    const trigger = parseTrigger(p.chord)
    return trigger.kind === 'chord' && !found.some((c) => triggerKey(c) === p.chord) ? [trigger] : []
  })
  const doubtful = [...found, ...others]
  /** Asks for a combination of the person's choice, a free one too; whether it could be read. */
  const ask = (text: string): boolean => {
    try {
      const trigger = readTrigger(
        text,
        env,
        env.controls.flatMap((c) => c.code ?? []),
      )
      if (trigger.kind !== 'chord') {
        setFault('Only a key or a combination of keys can be asked for.')
        return false
      }
      setFault('')
      setQueue([trigger])
      return true
    } catch (error) {
      setFault(problemInWords(error))
      return false
    }
  }
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
  return {
    chord,
    queue,
    env,
    stage,
    settle,
    again,
    next,
    setQueue,
    doubtful,
    open,
    resultOf,
    edit,
    ask,
    fault,
  }
}

export type ProbeRunView = ReturnType<typeof useProbeRun>
