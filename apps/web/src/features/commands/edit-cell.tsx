import { useState } from 'react'
import { endEditGroup } from '../../store/plan-store.js'

export interface EditCellProps {
  readonly label: string
  readonly value: string
  readonly onChange: (text: string) => void
  readonly numeric?: boolean
  readonly required?: boolean
  readonly maxLength?: number
  readonly placeholder?: string
  /** keep what is typed until the field is left, where half a text would not read back as typed */
  readonly commitOnBlur?: boolean
  /** stands after the field and cannot be edited here */
  readonly suffix?: string
}

const isGood = (text: string, numeric: boolean, required: boolean): boolean => {
  if (numeric) {
    const value = Number(text.replace(',', '.'))
    return text.trim() !== '' && value >= 0 && value <= 100_000
  }
  return !required || text.trim() !== ''
}

/**
 * A cell that is a field. Good text goes into the plan with every letter, so that nothing is lost when the page goes;
 * text that is no good is marked and never reaches the plan.
 */
export function EditCell({
  label,
  value,
  onChange,
  numeric = false,
  required = false,
  maxLength,
  placeholder,
  commitOnBlur = false,
  suffix,
}: EditCellProps) {
  const [draft, setDraft] = useState<string | null>(null)
  const text = draft ?? value
  const good = isGood(text, numeric, required)
  const leave = (): void => {
    if (commitOnBlur && draft !== null && good && draft !== value) onChange(draft)
    setDraft(null)
    endEditGroup()
  }
  return (
    <div role="cell" className="flex min-w-0 items-center gap-1">
      <input
        className={`w-full truncate border border-transparent bg-transparent px-1 py-0.5 -ml-1 hover:border-rule focus:border-edge focus:bg-key ${numeric ? 'pr-4 text-right' : ''} ${good ? '' : 'border-magenta!'}`}
        aria-label={label}
        aria-invalid={!good}
        inputMode={numeric ? 'decimal' : 'text'}
        title={good ? text : numeric ? 'A number from 0 to 100000' : 'A name is needed'}
        value={text}
        maxLength={maxLength}
        placeholder={placeholder}
        onChange={(event) => {
          const next = event.target.value
          setDraft(next)
          if (!commitOnBlur && isGood(next, numeric, required)) onChange(next)
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
        }}
        onBlur={leave}
      />
      {suffix !== undefined && <span className="shrink-0 text-[12px] text-ink-2">{suffix}</span>}
    </div>
  )
}
