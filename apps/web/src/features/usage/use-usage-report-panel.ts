import { useState } from 'react'
import { toast } from '../../store/message.js'
import { acceptUsage, fullName, type UsageReport, addUnknown, takeUsage } from '@reach-plot/core'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { cancelUsage } from './use-usage-import.js'

/** What is shown and can be done there. */
export function useUsageReportPanel({ report }: { report: UsageReport }) {
  const plan = usePlan()
  const edit = useEdit()
  const [withUnknown, setWithUnknown] = useState(false)
  const names = new Map(plan.commands.map((c) => [c.id, fullName(c)]))
  const take = (): void => {
    edit((before) => {
      const { usage, commands } = acceptUsage(report, before.commands)
      const taken = takeUsage(before, usage, commands)
      return withUnknown ? addUnknown(taken, report) : taken
    })
    toast(`${report.goodRows.toLocaleString('en-GB')} rows of ${report.source} are in the plan`, {
      action: undoAction(),
    })
    cancelUsage()
  }
  const rows = (n: number): string => `${n.toLocaleString('en-GB')} row${n === 1 ? '' : 's'}`
  return { report, rows, take, withUnknown, setWithUnknown, names }
}

export type UsageReportPanelView = ReturnType<typeof useUsageReportPanel>
