import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { canBeLiveTogether, letterConflicts, recallMean, recallOf, type Command } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

const shownRows = 40

/** What is shown and can be done there. */
export function useMnemonics() {
  const plan = usePlan()
  const { index, triggersOf, arrangement } = useDerived()
  const [programId, setProgramId] = useState('')
  const set = useView((s) => s.set)
  const navigate = useNavigate()
  const [rows, setRows] = useState(shownRows)
  const commands = useMemo(
    () => plan.commands.filter((c) => programId === '' || c.programId === programId),
    [plan.commands, programId],
  )
  const recalls = useMemo(() => recallOf(commands, triggersOf, index.readerOf), [commands, triggersOf, index])
  const conflicts = useMemo(
    () =>
      plan.programs.flatMap((program) =>
        letterConflicts(
          commands.filter((c) => c.programId === program.id),
          index.mnemonics,
          (a, b) => canBeLiveTogether(a, b, program),
        ),
      ),
    [commands, index, plan.programs],
  )
  const mean = recallMean(recalls)
  const weak = recalls.filter((r) => r.loss > 0)
  const find = (command: Command): void => {
    set({ commandId: command.id, controlRef: null })
    void navigate('/')
  }
  if (plan.commands.length === 0) {
    return null
  }
  return { programId, setProgramId, mean, arrangement, recalls, weak, rows, find, setRows, conflicts }
}

export type MnemonicsScreen = NonNullable<ReturnType<typeof useMnemonics>>
