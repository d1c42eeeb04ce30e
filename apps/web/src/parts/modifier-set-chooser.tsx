import { Field, Label, Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { useMemo } from 'react'
import { modifierSets } from '@reach-plot/core'
import { useDerived } from '../store/selectors.js'
import { useHeld, useView } from '../store/view-store.js'
import { modifierSetName } from './words.js'

/** Chooses which modifiers are held for the chart, in words. Holding the real keys does the same. */
export function ModifierSetChooser() {
  const { env } = useDerived()
  const held = useHeld()
  const set = useView((s) => s.set)
  const sets = useMemo(
    () => [[], ...modifierSets(env.layout.altGraph).filter((s) => s.length > 0)],
    [env.layout],
  )
  return (
    <Field className="flex shrink-0 items-center gap-2">
      <Label className="text-ink-2">Held</Label>
      <Listbox
        value={held.join()}
        onChange={(chosen: string) =>
          set({ chosenHeld: sets.find((s) => s.join() === chosen) ?? [], pressedHeld: [] })
        }
      >
        <ListboxButton className="btn font-semibold">
          {modifierSetName(held, env.systemId)} <ChevronDown size={14} aria-hidden="true" />
        </ListboxButton>
        <ListboxOptions anchor="bottom start" className="menu-panel max-h-[420px]! w-[190px] overflow-y-auto">
          {sets.map((s) => (
            <ListboxOption key={s.join()} value={s.join()} className="menu-item cursor-pointer">
              {modifierSetName(s, env.systemId)}
            </ListboxOption>
          ))}
        </ListboxOptions>
      </Listbox>
    </Field>
  )
}
