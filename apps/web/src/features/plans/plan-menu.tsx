import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { useNavigate } from 'react-router'
import { emptyPlan, writePlan } from '@reach-plot/core'
import { download } from '../../parts/download.js'
import { planFileName } from '../../store/actions.js'
import { openExample, openNewPlan } from '../../store/open-plan.js'
import { beginStart } from '../../store/start.js'
import { autosave } from '../../store/autosave.js'
import { usePlan } from '../../store/plan-store.js'
import { importPlan } from './import-plan.js'

export function PlanMenu({
  onDesk,
  onContexts,
  onPopups,
  onShortcuts,
}: {
  onDesk: () => void
  onContexts: () => void
  onPopups: () => void
  onShortcuts: () => void
}) {
  const plan = usePlan()
  const isExample = autosave.useState((s) => s.isExample)
  const navigate = useNavigate()
  const items: readonly (readonly [string, () => void])[] = [
    ['Start with my own desk…', () => void beginStart().then(() => navigate('/start'))],
    ['Hand, board and system…', onDesk],
    ['Programs and contexts…', onContexts],
    ['Pop-up sets…', onPopups],
    ['Export the plan', () => download(writePlan(plan), planFileName(plan), 'application/json')],
    ['Import a plan…', () => void importPlan()],
    ['All plans, and going back…', () => void navigate('/plans')],
    ['New empty plan', () => void openNewPlan(emptyPlan())],
    ['Open the example', () => void openExample()],
    ['Shortcuts of this app…', onShortcuts],
    ['Help', () => void navigate('/help')],
  ]
  return (
    <Menu>
      <MenuButton className="btn max-w-[200px] max-[1450px]:max-w-[104px]">
        <span className="text-[12px] text-ink-2">Plan</span>
        <span className="truncate max-[1450px]:sr-only">{plan.name}</span>
        {isExample && <span className="text-[12px] text-ink-2 max-[1450px]:sr-only">example</span>}
        <ChevronDown size={13} aria-hidden="true" className="shrink-0" />
      </MenuButton>
      <MenuItems anchor="bottom end" className="menu-panel w-[220px]">
        {items.map(([name, run]) => (
          <MenuItem key={name}>
            <button type="button" className="menu-item" onClick={run}>
              {name}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  )
}
