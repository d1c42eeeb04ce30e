import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react'
import { Check } from 'lucide-react'
import { useState } from 'react'
import type { Command, Program } from '@reach-plot/core'

interface ContextsCellProps {
  readonly command: Command
  readonly program: Program | undefined
  readonly text: string
  readonly onChange: (contextIds: string[]) => void
}

const look =
  '-ml-1 min-h-6 w-full truncate border border-transparent px-1 text-left text-ink-2 hover:border-rule'

/**
 * The contexts of a command, changed in place. None chosen means everywhere. The list box is only made when the pointer
 * or the focus comes: thousands of rows scroll past that nobody touches.
 */
export function ContextsCell(props: ContextsCellProps) {
  const [touched, setTouched] = useState<'no' | 'pointer' | 'focus'>('no')
  return (
    <div role="cell" className="min-w-0">
      {touched === 'no' ? (
        <button
          type="button"
          className={look}
          aria-label={`Contexts of ${props.command.name}: ${props.text}`}
          aria-haspopup="listbox"
          title={props.text}
          onPointerEnter={() => setTouched('pointer')}
          onFocus={() => setTouched('focus')}
        >
          {props.text}
        </button>
      ) : (
        <ContextsBox {...props} takesFocus={touched === 'focus'} />
      )}
    </div>
  )
}

function ContextsBox({
  command,
  program,
  text,
  onChange,
  takesFocus,
}: ContextsCellProps & { readonly takesFocus: boolean }) {
  return (
    <Listbox value={command.contextIds} multiple onChange={onChange}>
      <ListboxButton
        autoFocus={takesFocus}
        className={look}
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
  )
}
