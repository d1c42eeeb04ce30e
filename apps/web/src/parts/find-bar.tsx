import { useRef, useState, type RefObject } from 'react'
import type { Trigger } from '@reach-plot/core'
import { useShortcuts } from './shortcuts/use-shortcuts.js'
import { ListenButton, TriggerFilter, useKeyFind } from './key-find.js'

export interface Find {
  readonly query: string
  readonly trigger: Trigger | null
  readonly keyFind: ReturnType<typeof useKeyFind>
  setQuery(query: string): void
  setTrigger(trigger: Trigger | null): void
}

/** What a list is narrowed to, by words and by a pressed key; the app's shortcuts for finding act on it. */
export function useFind(): { readonly find: Find; readonly searchRef: RefObject<HTMLInputElement | null> } {
  const [query, setQuery] = useState('')
  const [trigger, setTrigger] = useState<Trigger | null>(null)
  const search = useRef<HTMLInputElement>(null)
  const keyFind = useKeyFind(setTrigger)
  useShortcuts({
    find: () => search.current?.focus(),
    listen: () => keyFind.listen(true),
    clear: () => setTrigger(null),
  })
  return { find: { query, trigger, keyFind, setQuery, setTrigger }, searchRef: search }
}

export function FindBar({
  find,
  searchRef,
  label,
  placeholder,
}: {
  find: Find
  searchRef: RefObject<HTMLInputElement | null>
  label: string
  placeholder: string
}) {
  return (
    <>
      <input
        ref={searchRef}
        type="search"
        className="field w-[168px]"
        placeholder={placeholder}
        aria-label={label}
        value={find.query}
        onFocus={(e) => e.target.select()}
        onChange={(e) => find.setQuery(e.target.value)}
      />
      <ListenButton {...find.keyFind} />
      {find.trigger && <TriggerFilter trigger={find.trigger} onClear={() => find.setTrigger(null)} />}
    </>
  )
}
