import { dropStock } from '@reach-plot/core'
import type { Stock } from '@reach-plot/core/drawing'
import { Dialog } from '../../parts/dialog.js'
import { TickField, FaultText, SelectField } from '../../parts/fields.js'
import { useStockDialog, type StockDialogView, fieldsOf } from './use-stock-dialog.js'

/** A stock of the person's own: a sheet, a sheet of labels, or a roll. */
export function StockDialog(props: { stock: Stock; onClose: () => void }) {
  const view = useStockDialog(props)
  const { asNew, onClose, edit, stock, save } = view
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
      <StockForm view={view} />
    </Dialog>
  )
}

function StockForm({
  view: { draft, setDraft, isOwn, asNew, setAsNew, stock, fault },
}: {
  view: StockDialogView
}) {
  return (
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
        <TickField checked={draft.round} onChange={(round) => setDraft({ ...draft, round })}>
          Round labels
        </TickField>
      )}
      {isOwn && (
        <TickField checked={asNew} onChange={setAsNew}>
          Keep “{stock.name}” and add this one
        </TickField>
      )}
      <FaultText>{fault}</FaultText>
    </div>
  )
}
