import { proxy } from 'comlink'
import { useRef, useState } from 'react'
import { showProblem } from '../store/problem.js'
import { solveService } from '../worker/solve-client.js'

/** What the solving worker is asked for that takes steps: how far it is, its answer, and a way to stop it. Only the last question counts. */
export function useLongQuestion<T>() {
  const [answer, setAnswer] = useState<T | null>(null)
  /** steps that are done; null while nothing is worked out */
  const [count, setCount] = useState<number | null>(null)
  const run = useRef(0)
  const ask = async (question: (onStep: (done: number) => void) => Promise<T | null>): Promise<void> => {
    const mine = ++run.current
    const ifWanted = (then: () => void): void => {
      if (mine === run.current) then()
    }
    setCount(0)
    try {
      const found = await question(proxy((done: number) => ifWanted(() => setCount(done))))
      ifWanted(() => setAnswer(found))
    } catch (error) {
      ifWanted(() => showProblem(error))
    } finally {
      ifWanted(() => setCount(null))
    }
  }
  return {
    answer,
    count,
    ask,
    stop: () => {
      run.current++
      setCount(null)
      void solveService().stopLooking()
    },
    /** the answer is looked at no longer */
    close: () => setAnswer(null),
  }
}
