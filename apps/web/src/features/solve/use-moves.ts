import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import type { ProposedMove } from '@reach-plot/core'
import { takePlacements } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { placementsWith, takenMoves, useSolve } from '../../store/solve-store.js'
import type { SolvedPlan } from '../../worker/solve-protocol.js'

export const shownKinds = ['proposed', 'sure', 'place', 'move', 'let go', 'all'] as const

/** What it shows. */
export function useMoves({ solved }: { solved: SolvedPlan }) {
  const plan = usePlan()
  const { arrangement } = useDerived()
  const arrangementId = useSolve((s) => s.arrangementId)
  const navigate = useNavigate()
  const [shown, setShown] = useState<(typeof shownKinds)[number]>('proposed')
  const [programId, setProgramId] = useState('')
  const [grouped, setGrouped] = useState(false)
  const taken = useMemo(
    () => (arrangement.id === arrangementId ? takenMoves(solved, arrangement.placements) : null),
    [solved, arrangement, arrangementId],
  )
  const { moves } = solved.list
  const proposed = useMemo(() => proposedMoves(solved), [solved])
  const isShown = (m: ProposedMove): boolean => {
    if (shown === 'all') return true
    if (shown === 'sure') return solved.doubts[m.id]?.confidence === 'sure'
    return proposed.has(m.id) && (shown === 'proposed' || m.kind === shown)
  }
  const listed = moves.filter((m) => isShown(m) && (programId === '' || m.command.programId === programId))
  const take = (ids: readonly number[]): void => {
    if (!taken) return
    const next = placementsWith(solved, taken, ids)
    const count = new Set(
      moves.filter((m) => ids.includes(m.id)).flatMap((m) => m.needs.filter((n) => !taken.has(n))),
    ).size
    takePlacements(next, `${count} move${count === 1 ? '' : 's'} applied`)
  }
  // the button that was pressed goes when the answer comes; whoever works by keys goes on in the list of moves
  const list = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (document.activeElement === document.body) list.current?.focus({ preventScroll: true })
  }, [solved])
  const open = listed.filter((m) => taken?.has(m.id) !== true)
  return {
    list,
    moves,
    taken,
    shown,
    setShown,
    programId,
    setProgramId,
    plan,
    grouped,
    setGrouped,
    open,
    take,
    solved,
    navigate,
    arrangement,
    arrangementId,
    listed,
  }
}

/** Moves that are sure or likely, and those that they need: less is only shown when it is asked for. */
function proposedMoves({ list, doubts }: SolvedPlan): ReadonlySet<number> {
  const good = list.moves.filter((m) => doubts[m.id]?.confidence !== 'unsure')
  return new Set(good.flatMap((m) => m.needs))
}

export type MovesView = ReturnType<typeof useMoves>
