import { hidTable, hwdbLines } from '@reach-plot/core/carry'
import { w3cCodes } from '@reach-plot/data'
import { loadPlan, usageError, writeOut } from '../io.js'
import { known } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** What the keys of a device send, for whoever sets up its firmware, or for systemd. */
export const verb = defineVerb({
  name: 'codes',
  summary: 'what the keys of a device send: HID usages as a table, or lines for systemd’s hardware database',
  files: 'PLAN.json',
  options: {
    device: text('DEVICE', 'by id or name; the first keyboard where left out'),
    usb: text(
      'VENDOR:PRODUCT',
      'for .hwdb: which keyboard, as lsusb shows it; every USB keyboard where left out',
    ),
    out: text('FILE.csv|.hwdb', 'the file to write; the table is shown where left out'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    const device =
      options.device === undefined ? plan.devices[0] : known(plan.devices, options.device, 'device')
    if (!device) throw usageError('the plan has no device', 'put one on the bench first')
    const { out = '' } = options
    if (out !== '' && !/\.(csv|hwdb)$/i.test(out))
      throw usageError(`"${out.slice(0, 80)}" cannot be written`, 'end its name with .csv or .hwdb')
    const made = /\.hwdb$/i.test(out) ? hwdbLines(device, w3cCodes, options.usb) : hidTable(device, w3cCodes)
    if (out !== '') writeOut(out, made)
    return {
      value: { device: device.id, ...(out !== '' && { out }), lines: made.trimEnd().split(/\r?\n/) },
      text: out === '' ? made.trimEnd() : out,
    }
  },
})
