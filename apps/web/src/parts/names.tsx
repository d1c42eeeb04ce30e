import { useState } from 'react'

const isTaken = (name: string, others: readonly string[]): boolean =>
  others.some((other) => other.trim().toLowerCase() === name.trim().toLowerCase())

const takenWords = (name: string): string => `“${name.trim()}” is there already`

/** A name that can be changed. While it is none that can be given it stays as it is typed, says so, and is put back when left. */
export function NameField({
  label,
  value,
  others,
  className = '',
  onChange,
}: {
  label: string
  value: string
  /** names that it must not have */
  others: readonly string[]
  className?: string
  onChange: (name: string) => void
}) {
  const [draft, setDraft] = useState<string | null>(null)
  const text = draft ?? value
  const fault = text.trim() === '' ? 'A name is needed' : isTaken(text, others) ? takenWords(text) : null
  return (
    <input
      className={`field ${className} ${fault ? 'border-magenta!' : ''}`}
      aria-label={label}
      aria-invalid={fault !== null}
      title={fault ?? undefined}
      value={text}
      maxLength={120}
      onChange={(e) => {
        const next = e.target.value
        setDraft(next)
        if (next.trim() !== '' && !isTaken(next, others)) onChange(next)
      }}
      onBlur={() => setDraft(null)}
    />
  )
}

/** Adds something by its name; a name that there is says so and is kept. */
export function AddName({
  label,
  action,
  taken,
  onAdd,
}: {
  label: string
  action: string
  taken: readonly string[]
  onAdd: (name: string) => void
}) {
  const [name, setName] = useState('')
  const isThere = name.trim() !== '' && isTaken(name, taken)
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        if (name.trim() === '' || isThere) return
        onAdd(name.trim())
        setName('')
      }}
    >
      <input
        className="field w-[220px]"
        aria-label={label}
        aria-invalid={isThere}
        placeholder={label}
        value={name}
        maxLength={120}
        onChange={(e) => setName(e.target.value)}
      />
      <button type="submit" className="btn" disabled={name.trim() === '' || isThere}>
        {action}
      </button>
      <span role="status" className="text-magenta">
        {isThere && takenWords(name)}
      </span>
    </form>
  )
}
