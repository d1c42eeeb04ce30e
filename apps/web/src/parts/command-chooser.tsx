import { Field, Label } from '@headlessui/react'
import { useMemo } from 'react'
import { contextsInWords, fullName, searchCommands, type Command, type CommandId } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'
import { SearchChooser, type Choice } from './search-chooser.js'

interface CommandChoice extends Choice {
  readonly command: Command
}

const search = (choices: readonly CommandChoice[], query: string): readonly CommandChoice[] => {
  if (query.trim() === '') return choices
  const byId = new Map<string, CommandChoice>(choices.map((c) => [c.id, c]))
  return searchCommands(
    choices.map((c) => c.command),
    query,
  ).flatMap(({ id }) => byId.get(id) ?? [])
}

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
  const choices = useMemo(
    () =>
      commands
        .map((command): CommandChoice => ({ id: command.id, name: fullName(command), command }))
        .toSorted((a, b) => (a.name < b.name ? -1 : 1)),
    [commands],
  )
  return (
    <Field className={className}>
      <Label className={hideLabel ? 'sr-only' : 'block text-[12px] text-ink-2'}>{label}</Label>
      <SearchChooser
        label={label}
        isLabelled
        choices={choices}
        value={value}
        onChange={(id) => onChange(id as CommandId)}
        empty={empty}
        placeholder="Find by name or menu"
        nothing="No command has this name."
        search={search}
      >
        {({ command }) => <CommandLine command={command} />}
      </SearchChooser>
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
