import { useMemo, useState } from 'react'
import {
  activeArrangement,
  checkFileSize,
  copyArrangement,
  leaveStandard,
  maxPlanBytes,
  sayWhyDeviating,
  type CommandId,
  type Plan,
} from '@reach-plot/core'
import { followStandard, standingOf, type StandardChange, type StandardOffer } from '@reach-plot/core/carry'
import { chooseFile } from '../../parts/download.js'
import { useLongQuestion } from '../../parts/use-long-question.js'
import { howMany } from '../../parts/words.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { showProblem } from '../../store/problem.js'
import { useDerived } from '../../store/selectors.js'
import { openable } from '../../store/shelf.js'
import { solveService } from '../../worker/solve-client.js'

/** Which of a standard's changes are listed. */
export const changeGroups = ['all', 'fits', 'elsewhere', 'asked'] as const
export type ChangeGroup = (typeof changeGroups)[number]

export const groupOf = (c: StandardChange): Exclude<ChangeGroup, 'all'> =>
  c.isConflict || c.isLocked || c.kind === 'gone'
    ? 'asked'
    : c.keys.some((k) => k.why !== null)
      ? 'elsewhere'
      : 'fits'

/** The standard that is looked at, and what it would change in the plan for which that was worked out. */
interface Looked {
  readonly standard: Plan
  readonly plan: Plan
  readonly offer: StandardOffer
}

/** A standard that is chosen and looked through, in the worker, since every place of the bench is looked at for what does not serve. */
function useLookingThrough() {
  const plan = usePlan()
  const question = useLongQuestion<Looked>()
  const [name, setName] = useState('')
  const read = async (): Promise<void> => {
    const file = await chooseFile('.json,application/json')
    if (!file) return
    try {
      checkFileSize(file.size, maxPlanBytes, file.name)
      const standard = openable(await file.text(), file.name)
      setName(standard.name)
      await question.ask(async (onStep) => {
        const offer = await solveService().standard(plan, standard, onStep)
        return offer && { standard, plan, offer }
      })
    } catch (error) {
      showProblem(error)
    }
  }
  return {
    // what was worked out for another plan says nothing of this one
    looked: question.answer?.plan === plan ? question.answer : null,
    /** the standard that is looked through, and how many keys of it; null while there is none */
    working: question.count === null ? null : { name, count: question.count },
    read,
    cancel: question.stop,
    close: question.close,
  }
}

/** A team's standard: following it, what is new in it, and where one's own ways are kept. */
export function useStandard() {
  const plan = usePlan()
  const edit = useEdit()
  const { index, arrangement } = useDerived()
  const looking = useLookingThrough()
  const { looked, close } = looking
  const [chosen, setChosen] = useState<ReadonlyMap<CommandId, boolean>>(new Map())
  const [group, setGroup] = useState<ChangeGroup>('all')
  const standing = useMemo(() => standingOf(plan, index), [plan, index])
  const changes = looked?.offer.changes ?? []
  const isTaken = (c: StandardChange): boolean => !c.isLocked && (chosen.get(c.ownId) ?? c.isProposed)
  const inGroup = (g: ChangeGroup) => (g === 'all' ? changes : changes.filter((c) => groupOf(c) === g))
  const taken = changes.filter(isTaken)
  const takenIds = taken.map((c) => c.ownId).join()
  const after = useMemo(
    () => (looked ? planFollowing(looked, taken) : null),
    // what is ticked, not the list of it, which is made anew each time
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [looked, takenIds],
  )
  const take = (): void => {
    if (!looked || !after) return
    const { standard } = looked
    edit(() => after)
    toast(`“${standard.name}” is followed: ${howMany(taken.length, 'change', 'changes')} taken over.`, {
      action: undoAction(),
    })
    close()
  }
  return {
    ...looking,
    plan,
    standing,
    arrangement,
    read: () => {
      setChosen(new Map())
      setGroup('all')
      return looking.read()
    },
    changes: inGroup(group),
    counts: changeGroups.map((g) => ({ group: g, count: inGroup(g).length })),
    group,
    setGroup,
    isTaken,
    choose: (id: CommandId, on: boolean) => setChosen(new Map([...chosen, [id, on]])),
    taken: taken.length,
    /** the plan with what is ticked */
    after,
    take,
    sayWhy: (id: CommandId, why: string) => edit((now) => sayWhyDeviating(now, id, why)),
    leave: () => {
      edit(leaveStandard)
      toast('The standard is followed no longer. Every key stays where it is.', { action: undoAction() })
    },
  }
}

/** The plan that follows; what is taken of a standard goes into a copy where the programs' own keys are in front. */
function planFollowing({ standard, plan, offer }: Looked, taken: readonly StandardChange[]): Plan {
  const { id, isDefault } = activeArrangement(plan)
  const base = isDefault ? copyArrangement(plan, id, { name: `As “${standard.name}” has it` }).plan : plan
  return followStandard(base, { plan: standard, arrangement: activeArrangement(standard) }, offer, taken)
}

export type StandardScreen = ReturnType<typeof useStandard>
