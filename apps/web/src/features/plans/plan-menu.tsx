import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { checkFileSize, checkPlanOpens, emptyPlan, maxPlanBytes, readPlan, writePlan } from '@reach-plot/core'
import { chooseFile, download } from '../../parts/download.js'
import { showProblem } from '../../store/problem.js'
import { loadDemo, openPlan, planFileName } from '../../store/actions.js'
import { catalogues } from '../../worker/catalogues.js'
import { usePlan } from '../../store/plan-store.js'

async function importPlan(): Promise<void> {
  const file = await chooseFile('.json,application/json')
  if (!file) return
  try {
    checkFileSize(file.size, maxPlanBytes, file.name)
    const plan = readPlan(await file.text(), file.name)
    checkPlanOpens(plan, catalogues)
    openPlan(plan, `“${file.name}” is open`)
  } catch (error) {
    showProblem(error)
  }
}

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
  const items: readonly (readonly [string, () => void])[] = [
    ['Hand, board and system…', onDesk],
    ['Programs and contexts…', onContexts],
    ['Pop-up sets…', onPopups],
    ['Export the plan', () => download(writePlan(plan), planFileName(plan), 'application/json')],
    ['Import a plan…', () => void importPlan()],
    ['Open the demo', () => void loadDemo().then((demo) => openPlan(demo, 'The demo is open'), showProblem)],
    ['New empty plan', () => openPlan(emptyPlan(), 'A new plan is open')],
    ['Shortcuts of this app…', onShortcuts],
  ]
  return (
    <Menu>
      <MenuButton className="btn">
        Plan <ChevronDown size={13} aria-hidden="true" className="shrink-0" />
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
