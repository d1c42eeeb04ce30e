import { howMany } from '../../parts/words.js'
import { useState } from 'react'
import { toast } from '../../store/message.js'
import { editCommand, ruleBook, type Command, type takeOffKeys } from '@reach-plot/core'
import { onEditable, undoAction } from '../../store/actions.js'
import { useDealTargets } from '../../parts/deal/use-deal-targets.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** What is shown and can be done there. */
export function useBulkBar({ chosen, onClear }: { chosen: readonly Command[]; onClear: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const [factor, setFactor] = useState('')
  const [dealing, setDealing] = useState(false)
  const targets = useDealTargets()
  const programIds = new Set(chosen.map((c) => c.programId))
  const program = programIds.size === 1 ? plan.programs.find((p) => programIds.has(p.id)) : undefined
  const each = (change: (command: Command) => Partial<Omit<Command, 'id'>>, told: string): void => {
    edit((plan) => chosen.reduce((p, c) => editCommand(p, c.id, change(c)), plan))
    toast(`${howMany(chosen.length, 'command', 'commands')}: ${told}`, { action: undoAction() })
  }
  const onKeys = (change: typeof takeOffKeys, told: string): void => {
    const ids = chosen.map((c) => c.id)
    const locked = chosen.filter((c) => ruleBook(plan.rules).locks(c)).length
    onEditable((before) => change(before, ids))
    toast(
      `${howMany(chosen.length - locked, 'command is', 'commands are')} ${told}${locked > 0 ? `; ${howMany(locked, 'stays, since it is', 'stay, since they are')} locked` : ''}`,
      { action: undoAction() },
    )
  }
  const value = Number(factor.replace(',', '.'))
  const good = factor.trim() !== '' && value >= 0 && value <= 1000
  return {
    chosen,
    program,
    each,
    good,
    value,
    factor,
    setFactor,
    edit,
    onKeys,
    onClear,
    dealing,
    setDealing,
    targets,
  }
}

export type BulkBarView = ReturnType<typeof useBulkBar>
