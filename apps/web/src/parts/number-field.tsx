import { useState } from 'react'

export interface NumberFieldProps {
  readonly label: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly step: number
  readonly onChange: (value: number) => void
}

/** A number within bounds. What is typed stays in the field until it is a good number; leaving shows the last good one. */
export function NumberField({ label, value, least, most, step, onChange }: NumberFieldProps) {
  const [draft, setDraft] = useState<string | null>(null)
  const isGood = (text: string): boolean => text !== '' && Number(text) >= least && Number(text) <= most
  return (
    <label>
      <span className="caption mb-1 block">{label}</span>
      <input
        type="number"
        className="field w-[110px] aria-invalid:border-magenta"
        value={draft ?? value}
        min={least}
        max={most}
        step={step}
        aria-invalid={draft !== null && !isGood(draft)}
        title={`${least} to ${most}`}
        onChange={(e) => {
          setDraft(e.target.value)
          if (isGood(e.target.value)) onChange(Number(e.target.value))
        }}
        onBlur={() => setDraft(null)}
      />
    </label>
  )
}
