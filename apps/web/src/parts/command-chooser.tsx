import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Field,
  Label,
} from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { useMemo, useState } from 'react'
import { contextsInWords, fullName, searchCommands, type Command, type CommandId } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'

/** More are never listed at once: the search narrows them down. */
const mostListed = 60

/**
 * Chooses a command by searching for it. Program, menu path and contexts stand beside each name, so that namesakes can
 * be told apart. An empty id is no command.
 */
export function CommandChooser({
  label,
  commands,
  value,
  onChange,
  empty,
  hideLabel = false,
  className = '',
}: {
  label: string
  /** those that can be chosen */
  commands: readonly Command[]
  /** id of the chosen command, or an empty text */
  value: string
  onChange: (commandId: CommandId) => void
  /** what choosing none is called; where left out, one has to be chosen */
  empty?: string
  hideLabel?: boolean
  className?: string
}) {
  const [query, setQuery] = useState('')
  const found = useMemo(
    () =>
      query.trim() === ''
        ? commands.toSorted((a, b) => (fullName(a) < fullName(b) ? -1 : 1))
        : searchCommands(commands, query),
    [commands, query],
  )
  const nameOf = (id: string): string => {
    const command = commands.find((c) => c.id === id)
    return command ? fullName(command) : ''
  }
  return (
    <Field className={className}>
      <Label className={hideLabel ? 'sr-only' : 'block text-[12px] text-ink-2'}>{label}</Label>
      <Combobox
        immediate
        value={value}
        onChange={(id) => id !== null && onChange(id)}
        onClose={() => setQuery('')}
      >
        <div className="relative">
          <ComboboxInput
            className="field w-full pr-7"
            autoComplete="off"
            placeholder={empty ?? 'Find by name or menu'}
            displayValue={nameOf}
            onChange={(e) => setQuery(e.target.value)}
          />
          <ComboboxButton className="absolute inset-y-0 right-0 px-2" aria-label={`All for ${label}`}>
            <ChevronDown size={14} aria-hidden="true" />
          </ComboboxButton>
        </div>
        <ComboboxOptions
          anchor={{ to: 'bottom start', gap: 2, padding: 8 }}
          className="z-[60] max-h-[300px]! w-(--input-width) min-w-[320px] overflow-y-auto border border-ink bg-panel"
        >
          {empty !== undefined && query.trim() === '' && (
            <ComboboxOption value="" className="chooser-option text-ink-2">
              {empty}
            </ComboboxOption>
          )}
          {found.slice(0, mostListed).map((command) => (
            <ComboboxOption key={command.id} value={command.id} className="chooser-option">
              <CommandLine command={command} />
            </ComboboxOption>
          ))}
          {found.length === 0 && <p className="px-3 py-1.5 text-ink-2">No command has this name.</p>}
          {found.length > mostListed && (
            <p className="px-3 py-1.5 text-[12px] text-ink-2">
              {found.length - mostListed} more: type a part of the name.
            </p>
          )}
        </ComboboxOptions>
      </Combobox>
    </Field>
  )
}

/** A command told apart from its namesakes: name with variant, then program, menu path and contexts. */
function CommandLine({ command }: { command: Command }) {
  const { programs } = usePlan()
  const program = programs.find((p) => p.id === command.programId)
  return (
    <>
      <span className="block">{fullName(command)}</span>
      <span className="block text-[12px] opacity-80">
        {[program?.name, command.menu.slice(0, -1).join(' › '), contextsInWords(command, program)]
          .filter(Boolean)
          .join(' · ')}
      </span>
    </>
  )
}
