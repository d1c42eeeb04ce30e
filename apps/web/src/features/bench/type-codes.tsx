import { useEffect, useState } from 'react'
import { editControls, readingOrder, type DrawnDevice } from '@reach-plot/core'
import { useEdit } from '../../store/plan-store.js'

/**
 * Codes by pressing the keys of the real board one after another: each control lights up in turn, and takes the code of the key that
 * is pressed. Escape ends it; what has been pressed stays.
 */
export function TypeCodes({
  device,
  chosen,
  onChosen,
}: {
  device: DrawnDevice
  chosen: readonly string[]
  onChosen: (ids: readonly string[]) => void
}) {
  const edit = useEdit()
  const [queue, setQueue] = useState<readonly string[] | null>(null)
  useEffect(() => {
    if (queue === null) return
    const [now, ...rest] = queue
    const onKeyDown = (event: KeyboardEvent): void => {
      event.preventDefault()
      event.stopPropagation()
      if (event.repeat || event.code === '') return
      // the key Escape ends it, unless it is the turn of a board's first key
      if (event.code === 'Escape' && !event.shiftKey) return setQueue(null)
      if (now !== undefined)
        edit((plan) => editControls(plan, device.id, [now], () => ({ code: event.code, name: '' })))
      onChosen(rest[0] === undefined ? [] : [rest[0]])
      setQueue(rest.length > 0 ? rest : null)
    }
    addEventListener('keydown', onKeyDown, { capture: true })
    return () => removeEventListener('keydown', onKeyDown, { capture: true })
  }, [queue, device.id, edit, onChosen])
  const start = (): void => {
    const keys = device.controls.filter((c) => c.type === 'key' || c.type === 'button')
    // what sends nothing yet; where all do, the chosen ones once more
    const silent = keys.filter((c) => c.code === null)
    const wanted = silent.length > 0 ? silent : keys.filter((c) => chosen.includes(c.id))
    const ids = readingOrder(wanted).map((c) => c.id)
    const [first] = ids
    if (first === undefined) return
    onChosen([first])
    setQueue(ids)
  }
  return queue === null ? (
    <button
      type="button"
      className="btn"
      title="Those that send nothing yet, one after another; else the chosen ones"
      onClick={start}
    >
      Press its keys in order
    </button>
  ) : (
    <span role="status" className="flex items-center gap-2">
      <b>{queue.length} to go:</b> press the key that is marked on the real board. Escape ends it;
      Shift+Escape is the key itself.
      <button type="button" className="btn" onClick={() => setQueue(null)}>
        Stop
      </button>
    </span>
  )
}
