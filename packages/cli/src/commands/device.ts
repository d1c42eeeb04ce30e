import { basename } from 'node:path'
import { deviceControls, deviceTitle, maxPlanBytes, writeDevice } from '@reach-plot/core'
import { readBoardFile } from '@reach-plot/core/device-files'
import { readTextFile, usageError, writeOut } from '../io.js'
import { defineVerb, numberOr, text } from '../verb.js'

/** Reads a keyboard or pad from a file of another form, and writes it as a device file. */
export const verb = defineVerb({
  name: 'device',
  summary: 'reads a board from an XKB geometry, an SVG drawing or a device file',
  files: 'read FILE',
  options: {
    geometry: text('NAME', 'which board of an XKB geometry file; its default, where left out'),
    shape: text('ID', 'a shape of an SVG drawing whose width is known; with --width'),
    width: numberOr(18, 1, 1000, 'how wide that shape is, mm'),
    out: text('D.json', 'the device file to write'),
  },
  run({ files, options }) {
    const [act, path] = files
    if (act !== 'read' || path === undefined)
      throw usageError('a file to read is needed', 'write device read FILE --out D.json')
    const { form, device } = readBoardFile(readTextFile(path, maxPlanBytes), basename(path), {
      ...(options.geometry !== undefined && { geometry: options.geometry }),
      ...(options.shape !== undefined && { known: { shape: options.shape, widthMm: options.width } }),
    })
    if (options.out !== undefined) writeOut(options.out, writeDevice(device))
    const controls = deviceControls(device)
    const count = (passes: (c: (typeof controls)[number]) => boolean): number =>
      controls.filter(passes).length
    const value = {
      form,
      id: device.id,
      name: deviceTitle(device),
      controls: controls.length,
      withCode: count((c) => c.code !== null),
      turned: count((c) => (c.turnDeg ?? 0) !== 0),
      thumb: count((c) => c.row === 'bottom'),
      ...(options.out !== undefined && { out: options.out }),
    }
    return {
      value,
      text: `${value.name}: ${value.controls} keys, ${value.turned} of them turned, ${value.thumb} for the thumbs${options.out === undefined ? '' : `; written to ${options.out}`}`,
    }
  },
})
