import { NavLink, Outlet } from 'react-router'
import { BenchMenu } from './bench-menu.js'

const tabs = [
  { to: '/bench', name: 'Desk', end: true },
  { to: '/bench/devices', name: 'Compare devices', end: true },
  { to: '/bench/moves', name: 'From bench to bench', end: true },
] as const

/** Devices and hands on the desk: laid out, compared, and carried from one bench to another. */
export function BenchView() {
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex h-11 shrink-0 items-center gap-1 border-b border-rule bg-panel px-[14px]">
        <h2 className="title mr-4">Bench</h2>
        <nav aria-label="Parts of the bench" className="flex h-full">
          {tabs.map((tab) => (
            <NavLink key={tab.to} to={tab.to} end={tab.end} className="subtab">
              {tab.name}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto">
          <BenchMenu />
        </div>
      </div>
      <div className="flex min-h-0 grow">
        <Outlet />
      </div>
    </div>
  )
}
