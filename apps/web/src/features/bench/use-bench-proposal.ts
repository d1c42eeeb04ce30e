import { useState } from 'react'
import { copyArrangement, activeArrangement, placeOnBench, type Bench, type Plan } from '@reach-plot/core'
import { useLongQuestion } from '../../parts/use-long-question.js'
import { howMany } from '../../parts/words.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
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
  const question = useLongQuestion<Proposal>()
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const find = async (): Promise<void> => {
    if (!to) return
    setLeft(new Set())
    await question.ask(async (onStep) => {
      const places = await solveService().otherBench(plan, to.id, onStep)
      return places && { plan, benchId: to.id, places }
    })
  }
  // what was worked out for another plan or bench says nothing of this one
  const proposal = question.answer
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
    question.close()
  }
  return {
    places: current?.places ?? null,
    /** commands that have been looked at; null while nothing is worked out */
    looked: question.count,
    find,
    stop: question.stop,
    close: question.close,
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
