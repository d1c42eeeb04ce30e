import { deviceSchema, type Device } from '../bench/index.js'
import { readAs } from '../issues.js'
import { CoreError } from '../errors.js'
import { parseJson } from '../json.js'

const format = 'reachplot-device'

/** A device as the text of a file of its own; `readDevice` gives an equal device back. */
export const writeDevice = (device: Device): string =>
  `${JSON.stringify({ format, version: 1, device }, null, 1)}\n`

/**
 * Reads a device file.
 * @throws CoreError `DEVICE_NOT_JSON`, `DEVICE_NOT_A_DEVICE`, `DEVICE_INVALID`
 */
export function readDevice(text: string, fileName: string): Device {
  const parsed = parseJson(text)
  if ('what' in parsed) {
    throw new CoreError('DEVICE_NOT_JSON', {
      where: [fileName],
      what: parsed.what,
      remedy: 'choose a .device.json file, or mend the place that is named',
    })
  }
  const raw = parsed.value
  const head = raw as { format?: unknown; version?: unknown; device?: unknown } | null
  if (typeof raw !== 'object' || head === null || head.format !== format || head.version !== 1) {
    throw new CoreError('DEVICE_NOT_A_DEVICE', {
      where: [fileName, 'format'],
      what: 'this is JSON, but no device',
      remedy: `choose a file whose "format" is "${format}" and whose "version" is 1`,
    })
  }
  const read = readAs(deviceSchema, head.device)
  if ('data' in read) return read.data
  throw new CoreError('DEVICE_INVALID', {
    where: [fileName, 'device', ...read.fault.path],
    what: read.fault.what,
    remedy: 'mend the field, or export the device again',
  })
}
