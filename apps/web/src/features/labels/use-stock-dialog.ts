import { putStock } from '@reach-plot/core'
import { useForm, useWatch, type Resolver } from 'react-hook-form'
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

interface Draft extends Record<Field, string> {
  kind: Stock['kind']
  name: string
  round: boolean
  /** the chosen one stays, and this is added */
  asNew: boolean
}

/** Starts from the stock that is chosen, since most own sizes are near to one that ships. */
function draftOf(stock: Stock, asNew: boolean): Draft {
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
    asNew,
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

const stockSchema = labelDesignSchema.shape.stocks.element

/** Says what is wrong at the field whose text it is, by the schema of the plan itself. */
const checkDraft: Resolver<Draft, unknown, Stock> = (draft) => {
  const read = stockSchema.safeParse(stockFrom(draft, 'own-1'))
  if (read.success) return { values: read.data, errors: {} }
  const errors: Record<string, { type: string; message: string }> = {}
  for (const issue of read.error.issues) {
    const at = String(issue.path.at(-1) ?? 'root')
    const field = at in draft ? at : 'root'
    errors[field] ??= { type: issue.code, message: issue.message }
  }
  return { values: {}, errors }
}

/** The fields of a stock of one's own, and what is done with them. */
export function useStockDialog({ stock, onClose }: { stock: Stock; onClose: () => void }) {
  const { stocks } = usePlan().labels
  const edit = useEdit()
  const isOwn = stocks.some((s) => s.id === stock.id)
  const form = useForm<Draft, unknown, Stock>({
    defaultValues: draftOf(stock, !isOwn),
    resolver: checkDraft,
  })
  const [kind, asNew] = useWatch({ control: form.control, name: ['kind', 'asNew'] })
  const save = form.handleSubmit((read) => {
    edit((plan) => putStock(plan, { ...read, id: asNew ? freeId(stocks) : stock.id }))
    onClose()
  })
  const { errors } = form.formState
  const first = [{ id: 'name', name: 'Name' } as const, ...fieldsOf[kind]].find((f) => errors[f.id])
  const message = first ? errors[first.id]?.message : errors.root?.message
  return {
    form,
    kind,
    asNew,
    onClose,
    edit,
    stock,
    save,
    isOwn,
    fault: message === undefined ? '' : `${first?.name ?? 'Sizes'}: ${message}`,
  }
}

export type StockDialogView = ReturnType<typeof useStockDialog>
