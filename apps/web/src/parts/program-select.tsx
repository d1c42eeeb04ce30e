import type { ProgramId } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'

/** Narrows a list to one program; empty for all. */
export function ProgramSelect({
  label,
  value,
  onChange,
  className = '',
}: {
  label: string
  value: string
  onChange: (programId: ProgramId) => void
  className?: string
}) {
  const plan = usePlan()
  return (
    <select
      className={`field ${className}`}
      aria-label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    >
      <option value="">All programs</option>
      {plan.programs.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </select>
  )
}
