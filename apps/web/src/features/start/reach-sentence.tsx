import { useMemo } from 'react'
import type { Modifier } from '@reach-plot/core'
import { useRestNames } from '../../parts/use-rest-names.js'
import { useReachOfSets } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'

const bare: readonly (readonly Modifier[])[] = [[]]

/** How many keys the resting hand reaches, in a sentence; three dots while that is worked out. */
export function ReachSentence() {
  const { hand } = useDerived()
  const { reachBySet } = useReachOfSets(bare)
  const reach = reachBySet['']
  const counts = useMemo(() => {
    if (!reach) return null
    const of = (...verdicts: string[]): number =>
      Object.values(reach).filter((r) => verdicts.includes(r.verdict)).length
    return { easy: of('rest', 'easy'), stretch: of('stretch') }
  }, [reach])
  const names = useRestNames()
  return (
    <span role="status">
      The {hand.side} hand rests on {names.join(' ')}:{' '}
      {counts
        ? `${counts.easy} keys within easy reach, ${counts.stretch} at a stretch.`
        : '… keys within reach.'}
    </span>
  )
}
