import { addBench, deleteBench, mirrorActiveBench, renameBench, chooseBench } from '@reach-plot/core'
import { Menu, MenuButton, MenuItem, MenuItems, MenuSeparator } from '@headlessui/react'
import { Check, ChevronDown } from 'lucide-react'
import { useState } from 'react'
import { NameDialog } from '../../parts/name-dialog.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Chooses the bench that is worked on; copies, renames, mirrors, deletes it. */
export function BenchMenu() {
  const plan = usePlan()
  const edit = useEdit()
  const { bench } = useDerived()
  const [naming, setNaming] = useState<'rename' | 'copy' | 'new' | null>(null)
  const actions: readonly (readonly [string, () => void, boolean?])[] = [
    ['New bench…', () => setNaming('new')],
    [`Copy “${bench.name}”…`, () => setNaming('copy')],
    ['Rename…', () => setNaming('rename')],
    ['Mirror for the other hand', () => edit(mirrorActiveBench)],
    ['Delete', () => edit((draft) => deleteBench(draft, bench.id)), plan.benches.length === 1],
  ]
  const run = (name: string): void => {
    if (naming === 'rename') edit((plan) => renameBench(plan, bench.id, name))
    else edit((draft) => addBench(draft, name, naming === 'copy' ? bench : null))
  }
  return (
    <>
      <Menu>
        <MenuButton className="btn max-w-[260px]">
          <span className="text-[12px] text-ink-2">Bench</span>
          <span className="truncate">{bench.name}</span>
          <ChevronDown size={13} aria-hidden="true" className="shrink-0" />
        </MenuButton>
        <MenuItems anchor="bottom end" className="menu-panel w-[260px]">
          {plan.benches.map((b) => (
            <MenuItem key={b.id}>
              <button
                type="button"
                className="menu-item"
                onClick={() => edit((plan) => chooseBench(plan, b.id))}
              >
                <Check
                  size={13}
                  aria-hidden="true"
                  className={b.id === bench.id ? 'shrink-0' : 'invisible shrink-0'}
                />
                <span className="grow truncate">{b.name}</span>
                <span className="shrink-0 text-[12px] opacity-80">{b.devices.length} devices</span>
              </button>
            </MenuItem>
          ))}
          <MenuSeparator className="my-1 border-t border-rule" />
          {actions.map(([name, onClick, disabled]) => (
            <MenuItem key={name} disabled={disabled === true}>
              <button type="button" className="menu-item" onClick={onClick}>
                <span className="truncate">{name}</span>
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
      {naming && (
        <NameDialog
          title={naming === 'rename' ? 'Rename the bench' : 'New bench'}
          name={naming === 'rename' ? bench.name : ''}
          action={naming === 'rename' ? 'Rename' : 'Make it'}
          onClose={() => setNaming(null)}
          onName={run}
        />
      )}
    </>
  )
}
