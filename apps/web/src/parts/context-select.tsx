import type { Program } from '@reach-plot/core'

/** One context of a program, or all of them; nothing where it has but one. */
export function ContextSelect({
  program,
  value,
  onChange,
}: {
  program: Program | undefined
  /** null for all */
  value: string | null
  onChange: (contextId: string) => void
}) {
  if (!program || program.contexts.length < 2) return null
  return (
    <select
      className="field w-[112px]"
      aria-label="Context"
      value={value ?? ''}
      onChange={(e) => onChange(e.target.value)}
    >
      <option value="">All contexts</option>
      {program.contexts.map((c) => (
        <option key={c.id} value={c.id}>
          {c.name}
        </option>
      ))}
    </select>
  )
}
