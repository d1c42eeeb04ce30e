import { dropStock } from '@reach-plot/core'
import type { Stock } from '@reach-plot/core/drawing'
import { Dialog } from '../../parts/dialog.js'
import { FaultText } from '../../parts/fields.js'
import { useStockDialog, type StockDialogView, fieldsOf } from './use-stock-dialog.js'

/** A stock of the person's own: a sheet, a sheet of labels, or a roll. */
export function StockDialog(props: { stock: Stock; onClose: () => void }) {
  const view = useStockDialog(props)
  const { asNew, onClose, edit, stock } = view
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
          <button type="submit" form="stock" className="btn btn-main">
            Use it
          </button>
        </>
      }
    >
      <StockForm view={view} />
    </Dialog>
  )
}

const kinds: readonly (readonly [Stock['kind'], string])[] = [
  ['sheet', 'sheet, cut by hand'],
  ['grid', 'sheet of labels'],
  ['roll', 'roll of labels'],
]

function StockForm({ view: { form, kind, isOwn, stock, fault, save } }: { view: StockDialogView }) {
  const { register, formState } = form
  return (
    <form id="stock" className="flex flex-col gap-3" onSubmit={(e) => void save(e)}>
      <div className="flex gap-3">
        <label className="grow">
          <span className="caption mb-0.5 block">Name</span>
          <input className="field w-full" maxLength={80} {...register('name')} />
        </label>
        <label>
          <span className="caption mb-0.5 block">Kind</span>
          <select className="field w-[170px]" {...register('kind')}>
            {kinds.map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        {fieldsOf[kind].map((field) => (
          <label key={field.id}>
            <span className="caption mb-0.5 block">{field.name}</span>
            <input
              type="number"
              step="any"
              className="field w-full"
              aria-invalid={formState.errors[field.id] !== undefined}
              {...register(field.id)}
            />
          </label>
        ))}
      </div>
      {kind !== 'sheet' && (
        <label className="flex min-h-6 items-center gap-1.5">
          <input type="checkbox" className="size-4 accent-(--magenta)" {...register('round')} />
          Round labels
        </label>
      )}
      {isOwn && (
        <label className="flex min-h-6 items-center gap-1.5">
          <input type="checkbox" className="size-4 accent-(--magenta)" {...register('asNew')} />
          Keep “{stock.name}” and add this one
        </label>
      )}
      <FaultText>{fault}</FaultText>
    </form>
  )
}
