import { useMemo, useState } from 'react'
import { deviceControls } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { DeskMap } from '../../drawing/desk-map.js'
import { DeviceList } from './device-list.js'
import { PlacedPanel } from './placed-panel.js'

/** The desk to scale, with what stands on it; one device is chosen and its place and hand set at the right. */
export function Desk() {
  const plan = usePlan()
  const { bench } = useDerived()
  const [chosenId, setChosenId] = useState<string | null>(null)
  const placed = bench.devices.find((d) => d.deviceId === chosenId) ?? null
  const device = plan.devices.find((d) => d.id === placed?.deviceId)
  const controls = useMemo(() => (device ? deviceControls(device).length : 0), [device])
  return (
    <>
      <DeviceList chosenId={chosenId} onChoose={setChosenId} />
      <DeskMap chosenId={chosenId} onChoose={setChosenId} />
      <section
        aria-label="The chosen device"
        className="side flex w-[312px] shrink-0 flex-col overflow-y-auto border-l border-rule bg-panel"
      >
        {placed && device ? (
          <PlacedPanel key={placed.deviceId} placed={placed} device={device} controlCount={controls} />
        ) : (
          <div className="px-[14px] pt-3">
            <p className="caption">Nothing chosen</p>
            <h3 className="title mt-0.5">Choose a device</h3>
            <p className="mt-1 text-ink-2">
              Click it on the desk and drag it, or choose it at the left and move it by the arrow keys. Its
              edges snap to those of others; hold Alt to move it freely.
            </p>
          </div>
        )}
      </section>
    </>
  )
}
