import { useState } from 'react'
import { shippedWordPairs, type WordPair, setWordPairs } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** What is shown and can be done there. */
export function useWordPairs() {
  const plan = usePlan()
  const edit = useEdit()
  const pairs = plan.memory.wordPairs ?? shippedWordPairs
  const [first, setFirst] = useState('')
  const [second, setSecond] = useState('')
  const [axis, setAxis] = useState<WordPair['axis']>('opposite')
  const canAdd = first.trim() !== '' && second.trim() !== ''
  const add = (): void => {
    if (!canAdd) return
    edit((plan) =>
      setWordPairs(plan, (list) => [
        { first: first.trim().toLowerCase(), second: second.trim().toLowerCase(), axis },
        ...list,
      ]),
    )
    setFirst('')
    setSecond('')
  }
  return { pairs, add, first, setFirst, second, setSecond, axis, setAxis, canAdd, edit, plan }
}

export type WordPairsView = ReturnType<typeof useWordPairs>
