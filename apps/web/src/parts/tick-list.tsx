import type { ReactNode } from 'react'

/** Kinds of what is listed, with how many there are of each; one is looked at. */
export function KindRow<K extends string>({
  kinds,
  chosen,
  onChoose,
}: {
  kinds: readonly { readonly kind: K; readonly name: string; readonly count: number }[]
  chosen: K
  onChoose: (kind: K) => void
}) {
  return (
    <div role="group" aria-label="Kinds" className="mt-3 flex flex-wrap gap-2">
      {kinds.map(({ kind, name, count }) => (
        <button
          key={kind}
          type="button"
          className="btn"
          aria-pressed={chosen === kind}
          onClick={() => onChoose(kind)}
        >
          {name} {count}
        </button>
      ))}
    </div>
  )
}

/** A longer list is looked through kind by kind. */
const mostShown = 300

/** A list of which each entry is taken or left. */
export function TickList<T>({
  label,
  items,
  keyOf,
  isTaken,
  isDisabled = () => false,
  onChoose,
  children,
}: {
  label: string
  items: readonly T[]
  keyOf: (item: T) => string
  isTaken: (item: T) => boolean
  isDisabled?: (item: T) => boolean
  onChoose: (item: T, on: boolean) => void
  /** what an entry says */
  children: (item: T) => ReactNode
}) {
  return (
    <>
      <ul className="mt-2" aria-label={label}>
        {items.slice(0, mostShown).map((item) => (
          <li key={keyOf(item)} className="border-b border-rule py-1.5">
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-0.5 size-4 shrink-0 accent-(--magenta)"
                checked={isTaken(item)}
                disabled={isDisabled(item)}
                onChange={(e) => onChoose(item, e.target.checked)}
              />
              <span className="min-w-0 break-words">{children(item)}</span>
            </label>
          </li>
        ))}
      </ul>
      {items.length > mostShown && (
        <p className="mt-2 text-ink-2">and {items.length - mostShown} more: choose a kind above.</p>
      )}
    </>
  )
}
