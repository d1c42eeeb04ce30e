import { useMemo, useState } from 'react'
import {
  applyDifferences,
  checkFileSize,
  conflictInWords,
  differenceInWords,
  differenceKinds,
  diffPlans,
  kindOf,
  maxPlanBytes,
  mergePlans,
  salvagePlan,
  type Difference,
  type DifferenceKind,
  type Plan,
} from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { showProblem } from '../../store/problem.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { openable } from '../../store/shelf.js'
import { howMany } from '../../parts/words.js'

/** A plan of another, as it was read. */
interface OtherPlan {
  readonly name: string
  readonly plan: Plan
}

/** One thing that the other plan says differently. */
export interface OtherChange {
  readonly key: string
  readonly kind: DifferenceKind
  readonly words: string
  readonly difference: Difference
  /** both have changed it since the plan with which they began */
  readonly isConflict: boolean
  /** what is proposed: theirs where they alone have changed it */
  readonly isProposed: boolean
}

const keyOf = (d: Pick<Difference, 'path'>): string => JSON.stringify(d.path)
/** Names of plans are their own. */
const isOwn = ({ path }: Pick<Difference, 'path'>): boolean => path[0] === 'id' || path[0] === 'name'

/** Another's plan beside this one: what is different, what to take of it. */
export function useOthers() {
  const plan = usePlan()
  const edit = useEdit()
  const { env } = useDerived()
  const [theirs, setTheirs] = useState<OtherPlan | null>(null)
  const [base, setBase] = useState<OtherPlan | null>(null)
  const [chosen, setChosen] = useState<ReadonlyMap<string, boolean>>(new Map())
  const [kind, setKind] = useState<DifferenceKind | null>(null)
  const changes = useMemo(
    () => (theirs ? changesOf(plan, theirs.plan, base?.plan ?? null, env) : []),
    [plan, theirs, base, env],
  )
  const isTaken = (c: OtherChange): boolean => chosen.get(c.key) ?? c.isProposed
  const taken = changes.filter(isTaken)
  const read = async (set: (other: OtherPlan) => void): Promise<void> => {
    const file = await chooseFile('.json,application/json')
    if (!file) return
    try {
      checkFileSize(file.size, maxPlanBytes, file.name)
      set({ name: file.name, plan: openable(await file.text(), file.name) })
      setChosen(new Map())
    } catch (error) {
      showProblem(error)
    }
  }
  const takenKeys = taken.map((c) => c.key).join()
  const made = useMemo(
    () => (taken.length > 0 ? planWith(plan, taken) : null),
    // what is ticked, not the list of it, which is made anew each time
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [plan, takenKeys],
  )
  const take = (): void => {
    if (!made) return
    edit(() => made.plan)
    const lost =
      made.dropped.length > 0
        ? ` ${howMany(made.dropped.length, 'name leads', 'names lead')} nowhere and went.`
        : ''
    toast(`${howMany(taken.length, 'change', 'changes')} of “${theirs?.name ?? ''}” taken.${lost}`, {
      action: undoAction(),
    })
    setTheirs(null)
    setBase(null)
  }
  const counts = differenceKinds.map((k) => ({ kind: k, count: changes.filter((c) => c.kind === k).length }))
  return {
    theirs,
    base,
    readTheirs: () => read(setTheirs),
    readBase: () => read(setBase),
    close: () => {
      setTheirs(null)
      setBase(null)
    },
    changes: kind === null ? changes : changes.filter((c) => c.kind === kind),
    all: changes.length,
    conflicts: changes.filter((c) => c.isConflict).length,
    counts: counts.filter((c) => c.count > 0),
    kind,
    setKind,
    isTaken,
    choose: (key: string, on: boolean) => setChosen(new Map([...chosen, [key, on]])),
    taken: taken.length,
    /** the plan with what is ticked; null where nothing is */
    after: made?.plan ?? null,
    take,
  }
}

/** The plan with changes of another taken; what then leads nowhere is dropped. */
function planWith(plan: Plan, taken: readonly OtherChange[]): ReturnType<typeof salvagePlan> {
  const differences = taken.map((c) => c.difference)
  const made = salvagePlan(JSON.stringify(applyDifferences(plan, differences)))
  return made && { ...made, plan: { ...made.plan, id: plan.id, name: plan.name } }
}

export type OthersScreen = ReturnType<typeof useOthers>

function changesOf(
  ours: Plan,
  theirs: Plan,
  base: Plan | null,
  env: Parameters<typeof differenceInWords>[2],
): OtherChange[] {
  const plans = [ours, theirs]
  const all = diffPlans(ours, theirs).filter((d) => !isOwn(d))
  const asChange = (
    difference: Difference,
    isConflict: boolean,
    isProposed: boolean,
    words: string,
  ): OtherChange => ({
    key: keyOf(difference),
    kind: kindOf(difference),
    words,
    difference,
    isConflict,
    isProposed,
  })
  const plain = (d: Difference): string => differenceInWords(d, plans, env)
  if (!base) return all.map((d) => asChange(d, false, false, plain(d)))
  const conflicts = new Map(mergePlans(base, ours, theirs).conflicts.map((c) => [keyOf(c), c]))
  const sinceBase = new Set(diffPlans(base, theirs).map(keyOf))
  // what they have not changed since is ours alone, and no question
  return all
    .filter((d) => sinceBase.has(keyOf(d)))
    .map((d) => {
      const conflict = conflicts.get(keyOf(d))
      return conflict
        ? asChange(d, true, conflict.proposal === 'theirs', conflictInWords(conflict, [...plans, base], env))
        : asChange(d, false, true, plain(d))
    })
    .sort((a, b) => Number(b.isConflict) - Number(a.isConflict))
}
