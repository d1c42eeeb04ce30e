/** Where a control lies, as far as neighbours go. */
export interface Lying {
  readonly id: string
  readonly code: string | null
  readonly deviceId?: string
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly turnDeg?: number
}

export const sides = ['left', 'right', 'up', 'down'] as const
export type Side = (typeof sides)[number]

/** The next control on each side, by spot (a key's code, or `device/control`). */
export type Neighbours = ReadonlyMap<string, Partial<Readonly<Record<Side, string>>>>

/** Controls this much apart across a row are in the same one, mm; a gap this wide ends it. Assumed. */
const rowMm = 6
const gapMm = 14

const spotIn = (control: Lying): string => control.code ?? control.id

/** Who lies beside whom on the same device, in the device's own axes, so that a turned pad keeps its rows. */
export function neighboursOf(controls: readonly Lying[]): Neighbours {
  const out = new Map<string, Partial<Record<Side, string>>>()
  for (const control of controls) {
    const angle = (-(control.turnDeg ?? 0) * Math.PI) / 180
    const best: Partial<Record<Side, { controlRef: string; gap: number }>> = {}
    for (const other of controls) {
      if (other === control || other.deviceId !== control.deviceId) continue
      const [x, y] = [other.xMm - control.xMm, other.yMm - control.yMm]
      const dx = x * Math.cos(angle) - y * Math.sin(angle)
      const dy = x * Math.sin(angle) + y * Math.cos(angle)
      const across = Math.abs(dx) - (control.widthMm + other.widthMm) / 2
      const along = Math.abs(dy) - (control.heightMm + other.heightMm) / 2
      const offer = (side: Side, gap: number): void => {
        // rounding must not choose between two that are as near
        if (gap > gapMm || (best[side]?.gap ?? Infinity) <= gap + 0.001) return
        best[side] = { controlRef: spotIn(other), gap }
      }
      if (Math.abs(dy) < rowMm) offer(dx > 0 ? 'right' : 'left', across)
      // rows are staggered: of two keys above, the nearer one counts
      else if (across < -rowMm / 2) offer(dy > 0 ? 'down' : 'up', along + Math.abs(dx) / 1000)
    }
    // of several keyboards that send a code the first counts
    if (out.has(spotIn(control))) continue
    out.set(spotIn(control), Object.fromEntries(Object.entries(best).map(([s, b]) => [s, b.controlRef])))
  }
  return out
}
