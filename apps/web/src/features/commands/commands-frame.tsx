import { NavLink, Outlet } from 'react-router'

const tabs = [
  { to: '/commands', name: 'Inventory', end: true },
  { to: '/commands/lookup', name: 'Look up', end: true },
  { to: '/commands/usage', name: 'Usage', end: true },
  { to: '/commands/routines', name: 'Routines', end: true },
] as const

/** Everything about commands: what there are, what keys do, how often they are used, in which sequences. */
export function CommandsFrame() {
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex h-11 shrink-0 items-center gap-1 border-b border-rule bg-panel px-[14px]">
        <h2 className="title mr-4">Commands</h2>
        <nav aria-label="Parts of the commands" className="flex h-full">
          {tabs.map((tab) => (
            <NavLink key={tab.to} to={tab.to} end={tab.end} className="subtab">
              {tab.name}
            </NavLink>
          ))}
        </nav>
      </div>
      <div className="flex min-h-0 grow">
        <Outlet />
      </div>
    </div>
  )
}
