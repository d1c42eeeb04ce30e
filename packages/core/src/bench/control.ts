import type { strokeCounts } from '../triggers/index.js'

/** Rows of a keyboard from back to front. The thumb takes keys of the bottom row only. */
export type Row = 'function' | 'number' | 'upper' | 'home' | 'lower' | 'bottom'

/**
 * What a control does when it is worked. A `field` is where strokes are drawn; a `zone` is felt by touch.
 * Keys and buttons differ only in what they are called.
 */
export const controlTypes = ['key', 'button', 'dial', 'wheel', 'zone', 'field'] as const
/** What a control is; keys, buttons, dials and wheels can be pressed, zones and fields stroked. */
export type ControlType = (typeof controlTypes)[number]

/**
 * One key on a device. Position is the centre of the cap and sizes are those of the cap, in mm;
 * x right, y towards the user, from the back left corner of the device's key field.
 */
export interface Control {
  /** unique on its device; the W3C code where the key has one. On a bench `device/control`. */
  readonly id: string
  /** W3C UI Events `code` that the key sends, or null when it sends none (a laptop's Fn, a pad key) */
  readonly code: string | null
  readonly row: Row
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
  /** how the cap is turned, clockwise; upright where left out. On a bench width and height are then those of an upright box in it. */
  readonly turnDeg?: number
  /** sides of a turned cap in its own axes, mm; width and height where left out */
  readonly capWidthMm?: number
  readonly capHeightMm?: number
  /** corners from the centre in the cap's own axes, where it is neither rectangle nor round */
  readonly outlineMm?: readonly (readonly [number, number])[]
  /** height above the desk beside other devices, mm; 0 where left out */
  readonly zMm?: number
  /** a key where it is left out */
  readonly type?: ControlType
  readonly round?: boolean
  /** what the person calls it; keys with a code are called by their legend */
  readonly name?: string
  /** where a label goes, mm from the centre of the control; its whole face where left out */
  readonly label?: {
    readonly dxMm: number
    readonly dyMm: number
    readonly widthMm: number
    readonly heightMm: number
  }
  /** for a field: how many directions its strokes have */
  readonly directions?: (typeof strokeCounts)[number]
  /** for a dial or wheel: steps of one turn, where they are known */
  readonly stepsPerTurn?: number
  /** its presses are clicks, its steps scroll: it carries commands only with modifiers held */
  readonly clicks?: boolean
  /** worked by the pointing hand */
  readonly pointing?: boolean
  /** of those, the ones of the device that it holds: others have to be taken up first */
  readonly inHand?: boolean
}

/** Controls reflected about the vertical line x = 0, for tests and for left-handed mirrors. */
export const mirrorControls = <C extends Control>(controls: readonly C[]): C[] =>
  controls.map((control) => ({
    ...control,
    xMm: -control.xMm,
    ...(control.turnDeg !== undefined && { turnDeg: -control.turnDeg }),
  }))
