/** Rows of a keyboard from back to front. The thumb takes keys of the bottom row only. */
export type Row = 'function' | 'number' | 'upper' | 'home' | 'lower' | 'bottom'

/**
 * One key on a device. Position is the centre of the cap and sizes are those of the cap, in mm;
 * x right, y towards the user, from the back left corner of the device's key field.
 */
export interface Control {
  /** unique on its device; the W3C code where the key has one */
  readonly id: string
  /** W3C UI Events `code` that the key sends, or null when it sends none (a laptop's Fn) */
  readonly code: string | null
  readonly row: Row
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** Controls reflected about the vertical line x = 0, for tests and for left-handed mirrors. */
export const mirrorControls = (controls: readonly Control[]): Control[] =>
  controls.map((control) => ({ ...control, xMm: -control.xMm }))
