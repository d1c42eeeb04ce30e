import { useState } from 'react'
import { listHtml, listMarkdown, triggerList, type ListOrder } from '@reach-plot/core'
import { download } from '../../shared/download.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const orders: readonly { readonly id: ListOrder; readonly name: string }[] = [
  { id: 'context', name: 'by program and context' },
  { id: 'device', name: 'by device' },
]

/** All triggers of the arrangement on one page, with the way out of what a slip can do. */
export function ListDownload() {
  const plan = usePlan()
  const { arrangement, around } = useDerived()
  const [order, setOrder] = useState<ListOrder>('context')
  const isEmpty = arrangement.placements.length === 0
  const save = (form: 'md' | 'html'): void => {
    const list = triggerList(`${plan.name}, ${arrangement.name}`, arrangement.placements, around, order)
    download(
      form === 'md' ? listMarkdown(list) : listHtml(list),
      `triggers.${form}`,
      form === 'md' ? 'text/markdown' : 'text/html',
    )
  }
  return (
    <fieldset className="border-t border-rule pt-2">
      <legend className="caption">A list to keep beside the screen</legend>
      <select
        className="field mt-1 w-full"
        aria-label="Order of the list"
        value={order}
        onChange={(e) => setOrder(orders.find((o) => o.id === e.target.value)?.id ?? 'context')}
      >
        {orders.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn" disabled={isEmpty} onClick={() => save('html')}>
          HTML page
        </button>
        <button type="button" className="btn" disabled={isEmpty} onClick={() => save('md')}>
          Markdown
        </button>
      </div>
    </fieldset>
  )
}
