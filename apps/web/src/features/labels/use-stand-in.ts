import { useEffect, useState } from 'react'
import { problemInWords, showProblem } from '../../store/problem.js'
import { setStandInFaults, standInState, type StandInState } from '../../store/print-api.js'

const pollMs = 800

/** What is shown and can be done there. */
export function useStandIn() {
  const [state, setState] = useState<StandInState | null>(null)
  const [problem, setProblem] = useState('')
  useEffect(() => {
    let isShown = true
    const ask = (): void => {
      standInState().then(
        (next) => {
          if (!isShown) return
          setState(next)
          setProblem('')
        },
        (error: unknown) => {
          if (isShown) setProblem(problemInWords(error))
        },
      )
    }
    ask()
    const timer = setInterval(ask, pollMs)
    return () => {
      isShown = false
      clearInterval(timer)
    }
  }, [])
  const setFault = (id: string, on: boolean): void => {
    if (!state) return
    const faults = on ? [...state.faults, id] : state.faults.filter((f) => f !== id)
    setState({ ...state, faults })
    setStandInFaults(faults).catch(showProblem)
  }
  return { problem, state, setFault }
}

export type StandInScreen = ReturnType<typeof useStandIn>
