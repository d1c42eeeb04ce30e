import { Combobox, ComboboxButton, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { namedSearch } from '@reach-plot/core'
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react'

/** More are never listed at once: the search narrows them down. */
const mostListed = 60

export interface Choice {
  readonly id: string
  readonly name: string
  /** what else finds it, and tells it from its namesakes */
  readonly detail?: string
}

const searchByName = namedSearch(({ name, detail = '' }: Choice) => ({ name, detail }))
const searchChoices = <T extends Choice>(choices: readonly T[], query: string): readonly T[] =>
  searchByName(choices, query) as readonly T[]

/** A choice among many, found by typing a part of the name. An empty id is none. */
export function SearchChooser<T extends Choice>({
  id,
  label,
  isLabelled = false,
  choices,
  value,
  onChange,
  empty,
  placeholder,
  nothing,
  search = searchChoices,
  children,
}: {
  id?: string
  label: string
  /** whether a label of the form names the field; its own name is then left out */
  isLabelled?: boolean
  choices: readonly T[]
  value: string
  onChange: (id: string) => void
  /** what choosing none is called; where left out, one has to be chosen */
  empty?: string | undefined
  placeholder?: string
  /** said where nothing is found */
  nothing: string
  search?: (choices: readonly T[], query: string) => readonly T[]
  /** how a choice is drawn in the list, where its name is not enough */
  children?: (choice: T) => ReactNode
}) {
  const [query, setQuery] = useState('')
  const found = useMemo(() => search(choices, query), [search, choices, query])
  const input = useRef<HTMLInputElement>(null)
  // what was chosen before stays marked in the list where it is found too: what is typed means the first
  useEffect(() => {
    if (query.trim() === '') return
    input.current?.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageUp', bubbles: true }))
  }, [query])
  return (
    <Combobox
      immediate
      value={value}
      onChange={(chosen) => chosen !== null && onChange(chosen)}
      onClose={() => setQuery('')}
    >
      <div className="relative min-w-0 grow">
        <ComboboxInput
          ref={input}
          {...(id !== undefined && { id })}
          {...(!isLabelled && { 'aria-label': label })}
          className="field w-full pr-7"
          autoComplete="off"
          placeholder={empty ?? placeholder ?? ''}
          displayValue={(chosen: string) => choices.find((c) => c.id === chosen)?.name ?? ''}
          // choosing the field selects what it holds, so that typing searches at once
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => setQuery(e.target.value)}
        />
        <ComboboxButton className="absolute inset-y-0 right-0 px-2" aria-label={`All for ${label}`}>
          <ChevronDown size={14} aria-hidden="true" />
        </ComboboxButton>
      </div>
      <OptionList found={found} empty={query.trim() === '' ? empty : undefined} nothing={nothing}>
        {children}
      </OptionList>
    </Combobox>
  )
}

function OptionList<T extends Choice>({
  found,
  empty,
  nothing,
  children,
}: {
  found: readonly T[]
  empty: string | undefined
  nothing: string
  children: ((choice: T) => ReactNode) | undefined
}) {
  return (
    <ComboboxOptions
      anchor={{ to: 'bottom start', gap: 2, padding: 8 }}
      className="z-[60] max-h-[300px]! w-(--input-width) min-w-[240px] overflow-y-auto border border-ink bg-panel"
    >
      {empty !== undefined && (
        <ComboboxOption value="" className="chooser-option text-ink-2">
          {empty}
        </ComboboxOption>
      )}
      {found.slice(0, mostListed).map((choice) => (
        <ComboboxOption key={choice.id} value={choice.id} className="chooser-option">
          {children ? children(choice) : <ChoiceLine choice={choice} />}
        </ComboboxOption>
      ))}
      {found.length === 0 && <p className="px-3 py-1.5 text-ink-2">{nothing}</p>}
      {found.length > mostListed && (
        <p className="px-3 py-1.5 text-[12px] text-ink-2">
          {found.length - mostListed} more: type a part of the name.
        </p>
      )}
    </ComboboxOptions>
  )
}

const ChoiceLine = ({ choice: { name, detail } }: { choice: Choice }) => (
  <span className="flex items-baseline justify-between gap-4">
    <span>{name}</span>
    {detail !== undefined && <span className="text-[12px] opacity-80">{detail}</span>}
  </span>
)
