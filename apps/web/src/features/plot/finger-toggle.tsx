import { fingers } from '@reach-plot/core'
import { useView } from '../../store/view-store.js'

/** Whose contours the chart draws: the best finger's, or one finger's alone. */
export function FingerToggle() {
  const finger = useView((s) => s.finger)
  const set = useView((s) => s.set)
  return (
    <select
      className="field w-[118px]"
      aria-label="Contours of"
      title="Whose contours are drawn"
      value={finger ?? ''}
      onChange={(e) => set({ finger: fingers.find((f) => f === e.target.value) ?? null })}
    >
      <option value="">best finger</option>
      {fingers.map((f) => (
        <option key={f} value={f}>
          {f === 'thumb' ? 'thumb' : `${f} finger`}
        </option>
      ))}
    </select>
  )
}
