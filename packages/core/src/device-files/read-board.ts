import type { Device } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { readDevice } from '../formats/index.js'
import { deviceFromGeometry } from './geometry-device.js'
import { deviceFromSvg, type SvgScale } from './svg-device.js'
import { readGeometry } from './xkb-geometry.js'

/** Which of a file's boards is meant, and how large a drawing is. */
export interface BoardFileOptions extends SvgScale {
  /** name of a geometry in an XKB file */
  readonly geometry?: string
}

/** The forms of files that a device can be read from. */
export type BoardFileForm = 'device' | 'xkb' | 'svg'

/** What a file is, by its contents; null for none of the forms. */
export function boardFileFormOf(text: string): BoardFileForm | null {
  if (/^\s*\{/.test(text) && !text.includes('xkb_geometry')) return 'device'
  if (/\bxkb_geometry\b/.test(text)) return 'xkb'
  return /<svg[\s>]/.test(text) ? 'svg' : null
}

/**
 * A device from a file: one of ours, a geometry file of the X keyboard extension, or a drawing in SVG.
 * @throws CoreError `DEVICE_NOT_A_DEVICE` for another file, and what the reader of its form throws
 */
export function readBoardFile(
  text: string,
  fileName: string,
  options: BoardFileOptions = {},
): { readonly form: BoardFileForm; readonly device: Device } {
  const form = boardFileFormOf(text)
  switch (form) {
    case 'device':
      return { form, device: readDevice(text, fileName) }
    case 'xkb': {
      const geometry = readGeometry(text, fileName, options.geometry)
      return { form, device: deviceFromGeometry(geometry, slug(geometry.name)) }
    }
    case 'svg':
      return { form, device: deviceFromSvg(text, fileName, options, slug(fileName.replace(/\.svg$/i, ''))) }
    default:
      throw new CoreError('DEVICE_NOT_A_DEVICE', {
        where: [fileName],
        what: 'this is neither a device file nor an XKB geometry nor an SVG drawing',
        remedy: 'choose a file of one of these',
      })
  }
}

const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40) || 'board'
