import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react'
import { Check } from 'lucide-react'
import type { Command, Program } from '@reach-plot/core'

/** The contexts of a command, changed in place. None chosen means everywhere. */
export function ContextsCell({
  command,
  program,
  text,
  onChange,
}: {
  command: Command
  program: Program | undefined
  text: string
  onChange: (contextIds: string[]) => void
}) {
  return (
    <div role="cell" className="min-w-0">
      <Listbox value={command.contextIds} multiple onChange={onChange}>
        <ListboxButton
          className="-ml-1 min-h-6 w-full truncate border border-transparent px-1 text-left text-ink-2 hover:border-rule"
          aria-label={`Contexts of ${command.name}: ${text}`}
          title={text}
        >
          {text}
        </ListboxButton>
        <ListboxOptions anchor="bottom start" className="menu-panel w-[180px]">
          {program?.contexts.map((context) => (
            <ListboxOption key={context.id} value={context.id} className="menu-item cursor-pointer">
              <Check
                size={13}
                aria-hidden="true"
                className={command.contextIds.includes(context.id) ? '' : 'invisible'}
              />
              {context.name}
            </ListboxOption>
          ))}
          <p className="px-3 py-1 text-[12px] text-ink-2">None: everywhere</p>
        </ListboxOptions>
      </Listbox>
    </div>
  )
}
