import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { Check, ChevronDown } from 'lucide-react'
import { Fragment } from 'react'
import { usePlan } from '../../store/plan-store.js'
import { useFront } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

/** Which program and context is in front: what the chart and the lists are about. */
export function FrontMenu() {
  const plan = usePlan()
  const front = useFront()
  const set = useView((s) => s.set)
  const program = plan.programs.find((p) => p.id === front.programId)
  const context = program?.contexts.find((c) => c.id === front.contextId)
  if (!program) return null
  return (
    <Menu>
      <MenuButton className="btn max-w-[230px] max-[1450px]:max-w-[164px] max-[1200px]:max-w-[130px]">
        <span className="text-[12px] text-ink-2 max-[1450px]:sr-only">Program in use</span>
        <span className="truncate">
          {program.name} · {context?.name ?? 'all contexts'}
        </span>
        <ChevronDown size={13} aria-hidden="true" className="shrink-0" />
      </MenuButton>
      <MenuItems anchor="bottom end" className="menu-panel w-[220px]">
        {plan.programs.map((p) => (
          <Fragment key={p.id}>
            <p className="caption px-3 pt-2 pb-1">{p.name}</p>
            {[null, ...p.contexts].map((c) => (
              <MenuItem key={c?.id ?? 'all'}>
                <button
                  type="button"
                  className="menu-item"
                  onClick={() => set({ programId: p.id, contextId: c?.id ?? null, commandId: null })}
                >
                  <Check
                    size={13}
                    aria-hidden="true"
                    className={p.id === program.id && (c?.id ?? null) === front.contextId ? '' : 'invisible'}
                  />
                  {c?.name ?? 'All contexts'}
                </button>
              </MenuItem>
            ))}
          </Fragment>
        ))}
      </MenuItems>
    </Menu>
  )
}
