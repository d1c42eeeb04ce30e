import { ArrowLeft } from 'lucide-react'
import { Link, NavLink, Outlet, useOutletContext, useParams } from 'react-router'
import type { DrawnDevice } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'

/** One drawn device: its controls, and the commands on them. */
export function DevicePage() {
  const plan = usePlan()
  const { id } = useParams()
  const device = plan.devices.find((d) => d.id === id)
  if (device?.kind !== 'drawn') {
    return (
      <p className="p-5 text-ink-2">
        There is no such device.{' '}
        <Link className="text-ink underline" to="/bench">
          Back to the desk
        </Link>
      </p>
    )
  }
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex min-h-11 shrink-0 flex-wrap items-center gap-1 border-b border-rule bg-panel px-[14px]">
        <Link to="/bench" className="btn mr-2 px-2" aria-label="Back to the desk">
          <ArrowLeft size={15} aria-hidden="true" />
        </Link>
        <h2 className="title mr-4 min-w-0 truncate">{device.name}</h2>
        <nav aria-label="Parts of the device" className="flex h-11">
          <NavLink to={`/bench/device/${device.id}`} end className="subtab">
            Controls
          </NavLink>
          <NavLink to={`/bench/device/${device.id}/layers`} className="subtab">
            Layers
          </NavLink>
          <NavLink to={`/bench/device/${device.id}/commands`} className="subtab">
            Commands on it
          </NavLink>
        </nav>
      </div>
      <div className="flex min-h-0 grow">
        <Outlet key={device.id} context={device} />
      </div>
    </div>
  )
}

/** The device of the page around; a drawn one always. */
export const useDevice = (): DrawnDevice => useOutletContext<DrawnDevice>()
