import { useState } from 'react'
import { toast } from 'sonner'
import { type Command, editCommand } from '@reach-plot/core'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** What is shown and can be done there. */
export function useBulkBar({ chosen, onClear }: { chosen: readonly Command[]; onClear: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const [factor, setFactor] = useState('')
  const programIds = new Set(chosen.map((c) => c.programId))
  const program = programIds.size === 1 ? plan.programs.find((p) => programIds.has(p.id)) : undefined
  const each = (change: (command: Command) => Partial<Omit<Command, 'id'>>, told: string): void => {
    edit((plan) => chosen.reduce((p, c) => editCommand(p, c.id, change(c)), plan))
    toast(`${chosen.length} commands: ${told}`, { action: undoAction() })
  }
  const value = Number(factor.replace(',', '.'))
  const good = factor.trim() !== '' && value >= 0 && value <= 1000
  return { chosen, program, each, good, value, factor, setFactor, edit, onClear }
}

export type BulkBarView = ReturnType<typeof useBulkBar>
