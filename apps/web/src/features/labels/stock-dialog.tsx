import { dropStock, putStock } from '@reach-plot/core'
import { useState } from 'react'
import { labelDesignSchema } from '@reach-plot/core/label-design'
import { customMedia, pageSizeMm, papers, type Stock } from '@reach-plot/core/drawing'
import { Dialog } from '../../parts/dialog.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { CheckField, FaultText, SelectField } from './fields.js'

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

const fieldsOf: Readonly<Record<Stock['kind'], readonly { readonly id: Field; readonly name: string }[]>> = {
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

/** A stock of the person's own: a sheet, a sheet of labels, or a roll. */
export function StockDialog({ stock, onClose }: { stock: Stock; onClose: () => void }) {
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
  return (
    <Dialog
      title={asNew ? 'A stock of your own' : 'Your stock'}
      onClose={onClose}
      actions={
        <>
          {!asNew && (
            <button
              type="button"
              className="btn mr-auto"
              onClick={() => {
                edit((plan) => dropStock(plan, stock.id))
                onClose()
              }}
            >
              Delete it
            </button>
          )}
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" onClick={save}>
            Use it
          </button>
        </>
      }
    >
      <div className="flex flex-col gap-3">
        <div className="flex gap-3">
          <label className="grow">
            <span className="caption mb-0.5 block">Name</span>
            <input
              className="field w-full"
              value={draft.name}
              maxLength={80}
              onChange={(e) => setDraft({ ...draft, name: e.target.value })}
            />
          </label>
          <SelectField
            label="Kind"
            className="w-[170px]"
            value={draft.kind}
            choices={[
              { id: 'sheet', name: 'sheet, cut by hand' },
              { id: 'grid', name: 'sheet of labels' },
              { id: 'roll', name: 'roll of labels' },
            ]}
            onChange={(kind) => setDraft({ ...draft, kind })}
          />
        </div>
        <div className="grid grid-cols-2 gap-x-4 gap-y-2">
          {fieldsOf[draft.kind].map((field) => (
            <label key={field.id}>
              <span className="caption mb-0.5 block">{field.name}</span>
              <input
                type="number"
                className="field w-full"
                value={draft[field.id]}
                onChange={(e) => setDraft({ ...draft, [field.id]: e.target.value })}
              />
            </label>
          ))}
        </div>
        {draft.kind !== 'sheet' && (
          <CheckField checked={draft.round} onChange={(round) => setDraft({ ...draft, round })}>
            Round labels
          </CheckField>
        )}
        {isOwn && (
          <CheckField checked={asNew} onChange={setAsNew}>
            Keep “{stock.name}” and add this one
          </CheckField>
        )}
        <FaultText>{fault}</FaultText>
      </div>
    </Dialog>
  )
}

function freeId(stocks: readonly Stock[]): string {
  let n = 1
  while (stocks.some((s) => s.id === `own-${n}`)) n++
  return `own-${n}`
}
