import type { ReactNode } from 'react'
import { NavLink, Outlet } from 'react-router'

interface Tab {
  readonly to: string
  readonly name: string
}

/** A view of several parts: its title, its tabs, and the part that is open. */
export function TabsFrame({
  title,
  label,
  tabs,
  children,
}: {
  title: string
  /** what the tabs are read out as */
  label: string
  tabs: readonly Tab[]
  /** at the end of the row of tabs */
  children?: ReactNode
}) {
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex h-11 shrink-0 items-center gap-1 border-b border-rule bg-panel px-[14px]">
        <h2 className="title mr-4">{title}</h2>
        <nav aria-label={label} className="flex h-full">
          {tabs.map((tab) => (
            <NavLink key={tab.to} to={tab.to} end className="subtab">
              {tab.name}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto">{children}</div>
      </div>
      <div className="flex min-h-0 grow">
        <Outlet />
      </div>
    </div>
  )
}
