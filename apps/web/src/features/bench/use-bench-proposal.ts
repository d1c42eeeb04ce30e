import { proxy } from 'comlink'
import { useRef, useState } from 'react'
import { copyArrangement, activeArrangement, placeOnBench, type Bench, type Plan } from '@reach-plot/core'
import { howMany } from '../../parts/words.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { showProblem } from '../../store/problem.js'
import { solveService } from '../../worker/solve-client.js'
import type { BenchPlace } from '../../worker/solve-protocol.js'

interface Proposal {
  readonly plan: Plan
  readonly benchId: string
  readonly places: readonly BenchPlace[]
}

/** Places on another bench for what it would leave without a key, to be taken in whole or in part. */
export function useBenchProposal(to: Bench | undefined) {
  const plan = usePlan()
  const edit = useEdit()
  const [proposal, setProposal] = useState<Proposal | null>(null)
  /** commands that have been looked at; null while nothing is worked out */
  const [looked, setLooked] = useState<number | null>(null)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const run = useRef(0)
  const find = async (): Promise<void> => {
    if (!to) return
    const mine = ++run.current
    const ifWanted = (then: () => void): void => {
      if (mine === run.current) then()
    }
    setLooked(0)
    try {
      const onLooked = (count: number): void => ifWanted(() => setLooked(count))
      const places = await solveService().otherBench(plan, to.id, proxy(onLooked))
      ifWanted(() => {
        setLeft(new Set())
        setProposal({ plan, benchId: to.id, places })
      })
    } catch (error) {
      ifWanted(() => showProblem(error))
    } finally {
      ifWanted(() => setLooked(null))
    }
  }
  // what was worked out for another plan or bench says nothing of this one
  const current = proposal?.plan === plan && proposal.benchId === to?.id ? proposal : null
  const taken = current?.places.filter((p) => !left.has(p.command.id)) ?? []
  const take = (): void => {
    if (!to) return
    const { id, name, isDefault } = activeArrangement(plan)
    const places = taken.map((p) => ({ commandId: p.command.id, trigger: p.to }))
    edit((now) =>
      placeOnBench(
        isDefault ? copyArrangement(now, id, { name: `${name}, ${to.name}` }).plan : now,
        to.id,
        places,
      ),
    )
    toast(`${howMany(places.length, 'place', 'places')} of its own on “${to.name}”.`, {
      action: undoAction(),
    })
    setProposal(null)
  }
  return {
    places: current?.places ?? null,
    looked,
    find,
    stop: () => {
      run.current++
      setLooked(null)
    },
    close: () => setProposal(null),
    isTaken: (p: BenchPlace) => !left.has(p.command.id),
    choose: (p: BenchPlace, on: boolean) => {
      const next = new Set(left)
      if (on) next.delete(p.command.id)
      else next.add(p.command.id)
      setLeft(next)
    },
    taken: taken.length,
    take,
  }
}

export type BenchProposal = ReturnType<typeof useBenchProposal>
