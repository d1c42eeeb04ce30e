import { useDerived } from '../../store/selectors.js'
import { usePlan } from '../../store/plan-store.js'
import { useView, type PlaceFilter } from '../../store/view-store.js'

/** Which of the ranked places are listed. */
export function PlaceFilters() {
  const plan = usePlan()
  const { bench } = useDerived()
  const filter = useView((s) => s.placeFilter)
  const set = useView((s) => s.set)
  const change = (part: Partial<PlaceFilter>): void => set({ placeFilter: { ...filter, ...part } })
  return (
    <div
      role="group"
      aria-label="Which places"
      className="flex items-center gap-x-2 text-[13px] whitespace-nowrap"
    >
      <label className="flex items-center gap-1">
        <input
          type="checkbox"
          className="accent-(--magenta)"
          checked={filter.bareOnly}
          onChange={(e) => change({ bareOnly: e.target.checked })}
        />
        No modifiers
      </label>
      <label className="flex items-center gap-1">
        <input
          type="checkbox"
          className="accent-(--magenta)"
          checked={filter.freeOnly}
          onChange={(e) => change({ freeOnly: e.target.checked })}
        />
        Free only
      </label>
      <select
        className="field w-0 min-w-0 grow"
        aria-label="Places on"
        value={filter.deviceId ?? ''}
        onChange={(e) => change({ deviceId: e.target.value === '' ? null : e.target.value })}
      >
        <option value="">any device</option>
        {bench.devices.map((d) => (
          <option key={d.deviceId} value={d.deviceId}>
            {plan.devices.find((x) => x.id === d.deviceId)?.name}
          </option>
        ))}
      </select>
    </div>
  )
}
