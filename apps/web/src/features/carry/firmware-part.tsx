import { deviceControls, deviceTitle } from '@reach-plot/core'
import { hidTable, hwdbLines, remappedKeys } from '@reach-plot/core/carry'
import { w3cCodes } from '@reach-plot/data'
import { useState } from 'react'
import { download } from '../../parts/download.js'
import { SelectField, TextField } from '../../parts/fields.js'
import { showProblem } from '../../store/problem.js'
import { usePlan } from '../../store/plan-store.js'

/** What the keys of a device send, as files for its firmware or for the system. */
export function FirmwarePart() {
  const { devices } = usePlan()
  const [chosen, setChosen] = useState('')
  const [usb, setUsb] = useState('')
  const sending = devices.filter((d) => deviceControls(d).some((c) => c.code !== null))
  const device = sending.find((d) => d.id === chosen) ?? sending[0]
  if (!device) return null
  const save = (make: () => string, ending: string, type: string): void => {
    try {
      download(make(), `${device.name || deviceTitle(device)}.${ending}`, type)
    } catch (error) {
      showProblem(error)
    }
  }
  return (
    <div className="border-t border-rule px-[14px] py-4">
      <h3 className="caption">For a keyboard’s firmware</h3>
      <p className="mt-1 text-ink-2">What each key sends, layer by layer, as HID usages.</p>
      <div className="mt-2">
        <SelectField
          label="Device"
          className="w-full"
          value={device.id}
          choices={sending.map((d) => ({ id: d.id, name: d.name || deviceTitle(d) }))}
          onChange={setChosen}
        />
      </div>
      <button
        type="button"
        className="btn mt-2"
        onClick={() => save(() => hidTable(device, w3cCodes), 'csv', 'text/csv')}
      >
        Save the table
      </button>
      {remappedKeys(device, w3cCodes).length > 0 && (
        <>
          <p className="mt-3 text-ink-2">
            Some of its keys send another code than their own. On Linux the system can do that for a keyboard
            that cannot.
          </p>
          <TextField
            label="Which keyboard, as lsusb shows it (1d50:6018); all where empty"
            className="mt-1"
            value={usb}
            maxLength={20}
            onChange={setUsb}
          />
          <button
            type="button"
            className="btn mt-2"
            onClick={() => save(() => hwdbLines(device, w3cCodes, usb), 'hwdb', 'text/plain')}
          >
            Save for systemd (hwdb)
          </button>
        </>
      )}
    </div>
  )
}
