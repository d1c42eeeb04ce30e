import { useKept } from '../../parts/use-kept.js'
import { endEditGroup } from '../../store/plan-store.js'

export interface EditCellProps {
  readonly label: string
  /** what the cell is of, so that what is half typed is there again after a reload */
  readonly keepAs: string
  readonly value: string
  readonly onChange: (text: string) => void
  readonly numeric?: boolean
  readonly required?: boolean
  readonly maxLength?: number
  readonly placeholder?: string
  /** keep what is typed until the field is left, where half a text would not read back as typed */
  readonly commitOnBlur?: boolean
  /** whether a text can be taken, for a field that takes more than its letters */
  readonly isGood?: (text: string) => boolean
  /** what can be written, for a text that cannot be taken */
  readonly hint?: string
  /** stands after the field and cannot be edited here */
  readonly suffix?: string
}

const isUsual = (text: string, numeric: boolean, required: boolean): boolean => {
  if (numeric) {
    const value = Number(text.replace(',', '.'))
    return text.trim() !== '' && value >= 0 && value <= 100_000
  }
  return !required || text.trim() !== ''
}

/** The field below in the same column; the row keeps its place in the document when it is sorted away. */
function goDown(field: HTMLInputElement): void {
  const row = field.closest('[role=row]')
  const index = Number(row?.getAttribute('aria-rowindex'))
  const column = [...(row?.children ?? [])].indexOf(field.closest('[role=cell]') as Element)
  const below = row?.parentElement?.querySelector(`[aria-rowindex="${index + 1}"]`)?.children[column]
  const next = below?.querySelector('input')
  if (next) {
    next.focus()
    next.select()
  } else {
    // what was typed is taken, and the focus stays
    field.blur()
    field.focus()
  }
}

/**
 * A cell that is a field. Good text goes into the plan with every letter, so that nothing is lost when the page goes;
 * text that is no good is marked and never reaches the plan.
 */
export function EditCell({
  label,
  keepAs,
  value,
  onChange,
  numeric = false,
  required = false,
  maxLength,
  placeholder,
  commitOnBlur = false,
  isGood = (given) => isUsual(given, numeric, required),
  hint = numeric ? 'A number from 0 to 100000' : 'A name is needed',
  suffix,
}: EditCellProps) {
  const [draft, setDraft] = useKept<string | null>(`cell ${keepAs}`, null, 'tab')
  const text = draft ?? value
  const good = isGood(text)
  const leave = (): void => {
    if (commitOnBlur && draft !== null && good && draft !== value) onChange(draft)
    // what is refused stays as it was typed, and says so
    if (good) setDraft(null)
    endEditGroup()
  }
  return (
    <div role="cell" className="flex min-w-0 items-center gap-1">
      <input
        className={`w-full truncate border border-transparent bg-transparent px-1 py-0.5 -ml-1 hover:border-rule focus:border-edge focus:bg-key ${numeric ? 'pr-4 text-right' : ''} ${good ? '' : 'border-magenta!'}`}
        aria-label={label}
        aria-invalid={!good}
        inputMode={numeric ? 'decimal' : 'text'}
        title={good ? text : hint}
        value={text}
        maxLength={maxLength}
        placeholder={placeholder}
        onChange={(event) => {
          const next = event.target.value
          setDraft(next)
          if (!commitOnBlur && isGood(next)) onChange(next)
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape' && draft !== null) {
            event.stopPropagation()
            setDraft(null)
          } else if (event.key === 'Enter') goDown(event.currentTarget)
        }}
        onBlur={leave}
      />
      {suffix !== undefined && <span className="shrink-0 text-[12px] text-ink-2">{suffix}</span>}
    </div>
  )
}
