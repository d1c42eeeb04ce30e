import { proxy } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import {
  averageHand,
  handOnBench,
  keyControls,
  setOwnReach,
  type Answer,
  type AskedChord,
  type Felt,
  type OwnReach,
} from '@reach-plot/core'
import { useKept } from '../../parts/use-kept.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { useEdit } from '../../store/plan-store.js'
import { showProblem } from '../../store/problem.js'
import { useDerived } from '../../store/selectors.js'
import { WorkerHost } from '../../worker/host.js'
import type { FittedAnswers, LimitsService } from '../../worker/limits-protocol.js'

/** How many chords are asked about. */
export const askedCount = 24

const host = new WorkerHost<LimitsService>(
  (name) => new Worker(new URL('../../worker/limits.worker.ts', import.meta.url), { type: 'module', name }),
)

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'busy'; readonly what: string; readonly share: number }
  | { readonly kind: 'asking'; readonly chord: AskedChord }
  | { readonly kind: 'fitted'; readonly fitted: FittedAnswers }

/** Takes a fitted reach over, or goes back to the average hand's. */
function useOwnReach(): (reach: OwnReach | null) => void {
  const edit = useEdit()
  return (reach) => {
    edit((plan) => setOwnReach(plan, reach))
    toast(reach ? 'The chart now goes by your own reach.' : 'The hand reaches as an average one again.', {
      action: undoAction(),
    })
  }
}

/** The worker that asks: told of the hand and its keys once, until it is ended or fails. */
function useAskingWorker() {
  const { hand, env } = useDerived()
  const isPrepared = useRef(false)
  useEffect(() => () => host.end(), [])
  return {
    prepare: async (tell: (share: number) => void): Promise<void> => {
      if (isPrepared.current) return
      tell(0)
      const asked = averageHand(handOnBench(hand))
      await host.service.prepare(asked, keyControls(env.controls), env.layout.altGraph, proxy(tell))
      isPrepared.current = true
    },
    forget: (): void => {
      isPrepared.current = false
    },
  }
}

/** Questions about chords, one at a time, and what the answers make of the hand. Answers survive a reload. */
export function useAskReach() {
  const { hand, env } = useDerived()
  const takeOver = useOwnReach()
  const [answers, setAnswers] = useKept<readonly Answer[]>('reach-answers', [], 'tab')
  const [skipped, setSkipped] = useState<readonly AskedChord[]>([])
  const [state, setState] = useState<State>({ kind: 'idle' })
  const { prepare, forget } = useAskingWorker()

  const busy = (what: string) => (share: number) => setState({ kind: 'busy', what, share })
  const guarded = (work: () => Promise<void>): void => {
    work().catch((error: unknown) => {
      forget()
      setState({ kind: 'idle' })
      showProblem(error)
    })
  }
  const askNext = async (given: readonly Answer[], passed: readonly AskedChord[]): Promise<void> => {
    if (given.length >= askedCount) return finish(given)
    const chord = await host.service.next(given, passed)
    if (chord) setState({ kind: 'asking', chord })
    else if (given.length > 1) await finish(given)
    else setState({ kind: 'idle' })
  }
  const finish = async (given: readonly Answer[]): Promise<void> => {
    const tell = busy('Fitting your reach to your answers')
    tell(0)
    setState({ kind: 'fitted', fitted: await host.service.fit(given, proxy(tell)) })
  }
  const start = (isAfresh: boolean): void =>
    guarded(async () => {
      const given = isAfresh ? [] : answers
      if (isAfresh) setAnswers([])
      setSkipped([])
      await prepare(busy('Getting ready'))
      await askNext(given, [])
    })
  const answer = (felt: Felt | null): void => {
    if (state.kind !== 'asking') return
    const { chord } = state
    const given = felt === null ? answers : [...answers, { chord, felt }]
    const passed = felt === null ? [...skipped, chord] : skipped
    setAnswers(given)
    setSkipped(passed)
    guarded(() => askNext(given, passed))
  }
  return {
    hand,
    env,
    state,
    answers,
    start,
    answer,
    back: () => {
      if (state.kind !== 'asking' || answers.length === 0) return
      const given = answers.slice(0, -1)
      setAnswers(given)
      const last = answers.at(-1)
      if (last) setState({ kind: 'asking', chord: last.chord })
    },
    stop: () => {
      host.end()
      forget()
      setState({ kind: 'idle' })
    },
    enough: () => guarded(() => finish(answers)),
    take: () => {
      if (state.kind !== 'fitted') return
      takeOver(state.fitted.reach)
      setAnswers([])
      setState({ kind: 'idle' })
    },
    drop: () => takeOver(null),
  }
}

export type AskReachView = ReturnType<typeof useAskReach>
