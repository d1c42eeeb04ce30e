import { putStock } from '@reach-plot/core'
import { useState } from 'react'
import { labelDesignSchema } from '@reach-plot/core/label-design'
import { customMedia, pageSizeMm, papers, type Stock } from '@reach-plot/core/drawing'
import { useEdit, usePlan } from '../../store/plan-store.js'

type Field =
  | 'rows'
  | 'columns'
  | 'labelWidthMm'
  | 'labelHeightMm'
  | 'pitchXMm'
  | 'pitchYMm'
  | 'leftMm'
  | 'topMm'
  | 'gapMm'
  | 'widthMm'
  | 'heightMm'

export const fieldsOf: Readonly<
  Record<Stock['kind'], readonly { readonly id: Field; readonly name: string }[]>
> = {
  sheet: [
    { id: 'widthMm', name: 'Sheet width, mm' },
    { id: 'heightMm', name: 'Sheet height, mm' },
  ],
  grid: [
    { id: 'widthMm', name: 'Sheet width, mm' },
    { id: 'heightMm', name: 'Sheet height, mm' },
    { id: 'columns', name: 'Columns' },
    { id: 'rows', name: 'Rows' },
    { id: 'labelWidthMm', name: 'Label width, mm' },
    { id: 'labelHeightMm', name: 'Label height, mm' },
    { id: 'pitchXMm', name: 'From left edge to left edge, mm' },
    { id: 'pitchYMm', name: 'From top edge to top edge, mm' },
    { id: 'leftMm', name: 'Left margin, mm' },
    { id: 'topMm', name: 'Top margin, mm' },
  ],
  roll: [
    { id: 'labelWidthMm', name: 'Label width, mm' },
    { id: 'labelHeightMm', name: 'Label height, mm' },
    { id: 'gapMm', name: 'Gap between labels, mm' },
  ],
}

type Draft = Readonly<Record<Field, string>> & {
  readonly kind: Stock['kind']
  readonly name: string
  readonly round: boolean
}

/** Starts from the stock that is chosen, since most own sizes are near to one that ships. */
function draftOf(stock: Stock): Draft {
  const size = pageSizeMm(stock)
  const label = stock.kind === 'sheet' ? { labelWidthMm: 38, labelHeightMm: 21 } : stock
  const grid =
    stock.kind === 'grid'
      ? stock
      : { rows: 12, columns: 4, pitchXMm: 45, pitchYMm: 23, leftMm: 12, topMm: 12 }
  const sheet = stock.kind === 'roll' ? { widthMm: 210, heightMm: 297 } : size
  const text = (n: number): string => String(Math.round(n * 100) / 100)
  return {
    kind: stock.kind,
    name: stock.name,
    round: stock.kind !== 'sheet' && stock.round,
    widthMm: text(sheet.widthMm),
    heightMm: text(sheet.heightMm),
    labelWidthMm: text(label.labelWidthMm),
    labelHeightMm: text(label.labelHeightMm),
    rows: text(grid.rows),
    columns: text(grid.columns),
    pitchXMm: text(grid.pitchXMm),
    pitchYMm: text(grid.pitchYMm),
    leftMm: text(grid.leftMm),
    topMm: text(grid.topMm),
    gapMm: text(stock.kind === 'roll' ? stock.gapMm : 3),
  }
}

function stockFrom(draft: Draft, id: string): unknown {
  const n = (field: Field): number => (draft[field].trim() === '' ? NaN : Number(draft[field]))
  const { kind, name, round } = draft
  const size = { widthMm: n('widthMm'), heightMm: n('heightMm') }
  const media =
    papers.find((p) => p.id.endsWith(`_${size.widthMm}x${size.heightMm}mm`))?.id ?? customMedia('sheet', size)
  const label = { labelWidthMm: n('labelWidthMm'), labelHeightMm: n('labelHeightMm'), round }
  if (kind === 'sheet') return { kind, id, name, media }
  if (kind === 'roll') return { kind, id, name, ...label, gapMm: n('gapMm') }
  return {
    kind,
    id,
    name,
    media,
    ...label,
    rows: n('rows'),
    columns: n('columns'),
    pitchXMm: n('pitchXMm'),
    pitchYMm: n('pitchYMm'),
    leftMm: n('leftMm'),
    topMm: n('topMm'),
  }
}

function freeId(stocks: readonly Stock[]): string {
  let n = 1
  while (stocks.some((s) => s.id === `own-${n}`)) n++
  return `own-${n}`
}

/** What is shown and can be done there. */
export function useStockDialog({ stock, onClose }: { stock: Stock; onClose: () => void }) {
  const { stocks } = usePlan().labels
  const edit = useEdit()
  const isOwn = stocks.some((s) => s.id === stock.id)
  const [draft, setDraft] = useState(() => draftOf(stock))
  const [asNew, setAsNew] = useState(!isOwn)
  const [fault, setFault] = useState('')
  const save = (): void => {
    const id = asNew ? freeId(stocks) : stock.id
    const read = labelDesignSchema.shape.stocks.safeParse([stockFrom(draft, id)])
    const issue = read.error?.issues[0]
    if (issue) {
      const field = issue.path.at(-1)
      const named = fieldsOf[draft.kind].find((f) => f.id === field)?.name
      setFault(`${named ?? (field === 'name' ? 'Name' : 'Sizes')}: ${issue.message}`)
      return
    }
    edit((plan) => putStock(plan, read.data?.[0] as Stock))
    onClose()
  }
  return { asNew, onClose, edit, stock, save, draft, setDraft, isOwn, setAsNew, fault }
}

export type StockDialogView = ReturnType<typeof useStockDialog>
