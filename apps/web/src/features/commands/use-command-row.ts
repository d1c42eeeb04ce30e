import type { Program } from '@reach-plot/core'
import { useDerived } from '../../store/selectors.js'
import type { Row, CommandTableProps } from './use-command-table.js'

/** What is shown and can be done there. */
export function useCommandRow({
  row,
  index,
  startPx,
  program,
  isChosen,
  choose,
  onEdit,
  onDelete,
  onShow,
  onOpen,
}: {
  row: Row
  index: number
  startPx: number
  program: Program | undefined
  isChosen: boolean
  choose: (id: string, on: boolean, range: boolean) => void
} & Pick<CommandTableProps, 'onEdit' | 'onDelete' | 'onShow' | 'onOpen' | 'onKey' | 'isMending'>) {
  const { env } = useDerived()
  // told with every plan
  const hours = env.hoursPerDay ?? 1
  const { command } = row
  return {
    index,
    startPx,
    command,
    isChosen,
    choose,
    onEdit,
    row,
    program,
    env,
    onOpen,
    onShow,
    onDelete,
    hours,
  }
}

export type CommandRowView = ReturnType<typeof useCommandRow>
