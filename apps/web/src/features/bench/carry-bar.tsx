import type { DrawnDevice } from '@reach-plot/core'
import { SearchChooser } from '../../parts/search-chooser.js'
import { useCarryBar } from './use-carry-bar.js'

/** Copies or moves what stands on the chosen controls to another page or device; what they send goes with them. */
export function CarryBar(props: {
  device: DrawnDevice
  pageId: string | undefined
  controlIds: readonly string[]
  onDone: () => void
}) {
  const view = useCarryBar(props)
  const { controlIds, toKey, setToKey, places, all, start, setFirstId, to, run } = view
  return (
    <div
      role="group"
      aria-label="Copy or move the chosen controls"
      className="flex shrink-0 items-center gap-2 border-t border-ink bg-panel px-[14px] py-2"
    >
      <b>{controlIds.length} chosen</b>
      <label htmlFor="carry-to">to</label>
      <select id="carry-to" className="field" value={toKey} onChange={(e) => setToKey(e.target.value)}>
        {places.map((p) => (
          <option key={p.key} value={p.key}>
            {p.name}
          </option>
        ))}
      </select>
      <label htmlFor="carry-from">from control</label>
      <div className="w-[180px]">
        <SearchChooser
          id="carry-from"
          label="from control"
          isLabelled
          choices={all.map((id) => ({
            id,
            name: to?.device.controls.find((c) => c.id === id)?.name || id,
            detail: id,
          }))}
          value={all[start] ?? ''}
          onChange={setFirstId}
          nothing="No control has this name."
        />
      </div>
      <button type="button" className="btn" onClick={() => run(false)}>
        Copy there
      </button>
      <button type="button" className="btn" onClick={() => run(true)}>
        Move there
      </button>
    </div>
  )
}
