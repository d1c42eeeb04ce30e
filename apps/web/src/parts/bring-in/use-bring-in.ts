import { useEffect } from 'react'
import { toast } from '../../store/message.js'
import { create } from 'zustand'
import type { Plan, TakeMode } from '@reach-plot/core'
import type { Columns, Role } from '@reach-plot/core/key-tables/roles'
import { undoAction } from '../../store/actions.js'
import { usePlan, usePlanStore } from '../../store/plan-store.js'
import { showProblem } from '../../store/problem.js'
import { rememberColumns, rememberedColumns } from '../../store/table-shapes.js'
import { WorkerHost } from '../../worker/host.js'
import type { TableClashes, TablePreview, TableService, TableShown } from '../../worker/table-protocol.js'

interface BringIn {
  readonly fileName: string
  readonly isReading: boolean
  readonly tables: readonly TableShown[]
  /** which of the tables is looked at */
  readonly at: number
  readonly roles: Columns
  readonly programName: string
  readonly mode: TakeMode
  readonly as: 'defaults' | 'arrangement'
  /** what taking it would do, and the plan for which it was told */
  readonly preview: { readonly of: TablePreview; readonly plan: Plan } | null
  /** null while they are worked out */
  readonly clashes: TableClashes | null
}

const nothing: BringIn = {
  fileName: '',
  isReading: false,
  tables: [],
  at: 0,
  roles: [],
  programName: '',
  mode: 'merge',
  as: 'arrangement',
  preview: null,
  clashes: null,
}

/** The table that is being brought in. It lives outside the screen, so that looking elsewhere does not lose it. */
export const useBringInStore = create<BringIn>()(() => nothing)

const host = new WorkerHost<TableService>(
  (name) => new Worker(new URL('../../worker/table.worker.ts', import.meta.url), { type: 'module', name }),
)
let run = 0

/** Puts the table away; the plan stays as it is. */
export function putAway(): void {
  run++
  host.end()
  useBringInStore.setState(nothing)
}

/** Reads a file, or text that was pasted. */
export async function readSource(source: File | string, fileName: string, plan: Plan): Promise<void> {
  putAway()
  const mine = run
  useBringInStore.setState({ fileName, isReading: true })
  try {
    const tables = await host.service.read(source, fileName, plan)
    if (mine !== run) return
    useBringInStore.setState({
      tables,
      isReading: false,
      programName: typeof source === 'string' ? (plan.programs[0]?.name ?? '') : nameOf(fileName),
    })
    chooseTable(0)
  } catch (error) {
    if (mine !== run) return
    putAway()
    showProblem(error)
  }
}

/** A program's name from that of its file. */
const nameOf = (fileName: string): string =>
  fileName
    .replace(/\.[a-z0-9]{1,5}$/i, '')
    .replace(/[_-]+/g, ' ')
    .trim()
    .slice(0, 120)

/** Looks at another table of the same file, its columns as the person has said before of such a table. */
export function chooseTable(at: number): void {
  const table = useBringInStore.getState().tables[at]
  if (!table) return
  useBringInStore.setState({
    at,
    roles: rememberedColumns(table.shape, table.columns.length) ?? table.roles,
    preview: null,
  })
}

/** Says what a column means; where only one column can mean it, the other gives it up. */
export function setRole(column: number, role: Role): void {
  const { roles, tables, at } = useBringInStore.getState()
  const next = roles.map((r, i): Role =>
    i === column ? role : r === role && role !== 'keys' && role !== 'ignore' ? 'ignore' : r,
  )
  const table = tables[at]
  if (table) rememberColumns(table.shape, next)
  useBringInStore.setState({ roles: next })
}

export const setOption = (change: Partial<Pick<BringIn, 'programName' | 'mode' | 'as'>>): void =>
  useBringInStore.setState(change)

/** Takes the table into the plan as it was shown, in one step. */
export function takeIn(): void {
  const { preview, fileName } = useBringInStore.getState()
  const { plan, edit } = usePlanStore.getState()
  if (!preview || preview.plan !== plan) return
  const { commands } = preview.of.taken
  edit(() => preview.of.taken.plan)
  const count = commands.filter((c) => c.status !== 'same').length
  putAway()
  toast(`${fileName} is brought in: ${count} ${count === 1 ? 'command' : 'commands'}`, {
    action: undoAction(),
  })
}

/** A page's table as it is copied has its rows in the markup, and its words alone in the plain text. */
export function pastedText(data: DataTransfer | null): string {
  const html = data?.getData('text/html') ?? ''
  return /<table[\s>]/i.test(html) ? html : (data?.getData('text/plain') ?? '')
}

/** What is read, and what taking it would do to the plan as it is now. */
export function useBringIn() {
  const plan = usePlan()
  const state = useBringInStore()
  const { tables, at, roles, programName, mode, as } = state
  useEffect(() => {
    if (tables.length === 0 || !roles.includes('command')) {
      useBringInStore.setState({ preview: null })
      return
    }
    const mine = run
    let isCurrent = true
    const options = { programName: programName.trim() || 'Program', mode, as }
    host.service
      .preview({ plan, table: at, roles, options })
      .then(async (of) => {
        if (!isCurrent || mine !== run) return
        useBringInStore.setState({ preview: { of, plan }, clashes: null })
        const clashes = await host.service.clashes()
        if (isCurrent && mine === run) useBringInStore.setState({ clashes })
      })
      .catch((error: unknown) => {
        if (isCurrent && mine === run) showProblem(error)
      })
    return () => {
      isCurrent = false
    }
  }, [plan, tables, at, roles, programName, mode, as])
  return { ...state, plan, table: tables[at], isCurrent: state.preview?.plan === plan }
}

export type BringInScreen = ReturnType<typeof useBringIn>
