import type { Modifier } from '../triggers/index.js'

/**
 * Outline of each modifier's sign in a unit square, y downwards: told apart by shape, never by colour.
 * Used on labels and on the chart alike.
 */
export const modifierSigns: Readonly<Record<Modifier, string>> = {
  Shift: 'M0 0.08 L1 0.08 L0.5 0.96 Z',
  Control: 'M0.06 0.06 L0.94 0.06 L0.94 0.94 L0.06 0.94 Z',
  Alt: 'M0.5 0.02 A0.48 0.48 0 1 1 0.5 0.98 A0.48 0.48 0 1 1 0.5 0.02 Z',
  AltGraph: 'M0.5 0 L1 0.36 L0.81 0.96 L0.19 0.96 L0 0.36 Z',
  Meta: 'M0.5 0 L1 0.5 L0.5 1 L0 0.5 Z',
}
