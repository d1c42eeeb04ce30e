import {
  copyArrangement,
  deleteArrangement,
  renameArrangement,
  chooseArrangement,
  markSetNow,
  type Arrangement,
} from '@reach-plot/core'
import { Menu, MenuButton, MenuItem, MenuItems, MenuSeparator } from '@headlessui/react'
import { Check, ChevronDown, Lock } from 'lucide-react'
import { useState, type ComponentProps } from 'react'
import { NameDialog } from '../../parts/name-dialog.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Chooses the arrangement that is worked on; copies, renames, deletes it. Defaults can only be copied. */
export function ArrangementMenu() {
  const plan = usePlan()
  const edit = useEdit()
  const { arrangement } = useDerived()
  const [renaming, setRenaming] = useState(false)
  const fixed = arrangement.isDefault
  const isSetNow = plan.setNowArrangementId === arrangement.id
  return (
    <>
      <Menu>
        <MenuButton className="btn max-w-[236px] max-[1450px]:max-w-[164px] max-[1200px]:max-w-[130px]">
          <span className="text-[12px] text-ink-2 max-[1450px]:sr-only">Arrangement</span>
          <span className="truncate">{arrangement.name}</span>{' '}
          <ChevronDown size={13} aria-hidden="true" className="shrink-0" />
        </MenuButton>
        <MenuItems anchor="bottom end" className="menu-panel w-[300px]">
          {plan.arrangements.map((a) => (
            <MenuItem key={a.id}>
              <ArrangementItem arrangement={a} />
            </MenuItem>
          ))}
          <MenuSeparator className="my-1 border-t border-rule" />
          <MenuItem>
            <button
              type="button"
              className="menu-item"
              onClick={() => edit((plan) => copyArrangement(plan, arrangement.id))}
            >
              <span className="truncate">Copy “{arrangement.name}”</span>
            </button>
          </MenuItem>
          <MenuItem>
            <button
              type="button"
              className="menu-item"
              onClick={() => edit((plan) => markSetNow(plan, isSetNow ? null : arrangement.id))}
            >
              {isSetNow ? 'Not set on my machine any more' : 'This one is set on my machine now'}
            </button>
          </MenuItem>
          <MenuItem disabled={fixed}>
            <button type="button" className="menu-item" onClick={() => setRenaming(true)}>
              Rename…
            </button>
          </MenuItem>
          <MenuItem disabled={fixed || plan.arrangements.length === 1}>
            <button
              type="button"
              className="menu-item"
              onClick={() => edit((plan) => deleteArrangement(plan, arrangement.id))}
            >
              Delete
            </button>
          </MenuItem>
          {fixed && (
            <p className="px-3 py-1 text-[12px] text-ink-2">Defaults stay as they are. Work on a copy.</p>
          )}
        </MenuItems>
      </Menu>
      {renaming && (
        <NameDialog
          title="Rename the arrangement"
          name={arrangement.name}
          action="Rename"
          onClose={() => setRenaming(false)}
          onName={(name) => edit((plan) => renameArrangement(plan, arrangement.id, name))}
        />
      )}
    </>
  )
}

/** One arrangement of the menu: whether it is worked on, set now, or cannot be edited. */
function ArrangementItem({ arrangement, ...rest }: { arrangement: Arrangement } & ComponentProps<'button'>) {
  const { activeArrangementId, setNowArrangementId } = usePlan()
  const edit = useEdit()
  const { id, name, isDefault, placements } = arrangement
  return (
    <button
      {...rest}
      type="button"
      className="menu-item"
      onClick={(event) => {
        rest.onClick?.(event)
        edit((plan) => chooseArrangement(plan, id))
      }}
    >
      <Check
        size={13}
        aria-hidden="true"
        className={id === activeArrangementId ? 'shrink-0' : 'invisible shrink-0'}
      />
      <span className="grow truncate">{name}</span>
      {id === setNowArrangementId && <span className="shrink-0 text-[12px]">set now</span>}
      {isDefault && <Lock size={12} aria-label="cannot be edited" className="shrink-0" />}
      <span className="shrink-0 text-[12px] opacity-80">{placements.length} placed</span>
    </button>
  )
}
