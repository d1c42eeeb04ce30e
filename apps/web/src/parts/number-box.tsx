import { useId, useState } from 'react'

/** A number that is taken over while it is typed, as soon as it is one within its bounds. */
export function NumberBox({
  label,
  value,
  min,
  max,
  step = 1,
  onChange,
}: {
  label: string
  value: number
  min: number
  max: number
  step?: number
  onChange: (value: number) => void
}) {
  const id = useId()
  const [text, setText] = useState<string | null>(null)
  const shown = text ?? String(Math.round(value * 100) / 100)
  const read = Number(shown.replace(',', '.'))
  const wrong = shown.trim() === '' || !(read >= min && read <= max)
  return (
    <div>
      <label htmlFor={id} className="block text-[12px] text-ink-2">
        {label}
      </label>
      <input
        id={id}
        className="field w-full"
        inputMode="decimal"
        value={shown}
        aria-invalid={wrong}
        title={wrong ? `From ${min} to ${max}` : undefined}
        onChange={(e) => {
          setText(e.target.value)
          const next = Number(e.target.value.replace(',', '.'))
          if (e.target.value.trim() !== '' && next >= min && next <= max) onChange(next)
        }}
        onKeyDown={(e) => {
          const direction = { ArrowUp: 1, ArrowDown: -1 }[e.key]
          if (direction === undefined) return
          e.preventDefault()
          setText(null)
          onChange(Math.max(min, Math.min(max, value + direction * step)))
        }}
        onBlur={() => setText(null)}
      />
    </div>
  )
}
