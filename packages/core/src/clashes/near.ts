import type { Control } from '../bench/index.js'

/** A control that a finger can meet instead of another. */
export interface Near {
  readonly controlRef: string
  /** next door, or diagonally and across a gap */
  readonly isNextDoor: boolean
}

/** Next door is up to so many pitches from centre to centre. */
const nextDoorPitches = 1.3
/** Diagonally and across a gap: edges no farther apart than this, mm. Assumed. */
const acrossMm = 12

const refOf = (control: Control): string => control.code ?? control.id
const deviceOf = (control: Control): string => control.id.split('/')[0] ?? ''

/** Control → those that a slip can meet, on the same device. */
export function nearControls(controls: readonly Control[]): ReadonlyMap<string, readonly Near[]> {
  const byDevice = new Map<string, Control[]>()
  for (const control of controls) {
    if ((control.type ?? 'key') === 'field') continue
    const device = deviceOf(control)
    byDevice.set(device, [...(byDevice.get(device) ?? []), control])
  }
  const out = new Map<string, Near[]>()
  for (const list of byDevice.values()) {
    const pitchMm = pitchOf(list)
    for (const one of list) {
      const near = list.flatMap((other): Near[] => {
        if (other === one) return []
        const [dx, dy] = [Math.abs(one.xMm - other.xMm), Math.abs(one.yMm - other.yMm)]
        const isNextDoor = Math.hypot(dx, dy) <= nextDoorPitches * pitchMm
        const across =
          dx - (one.widthMm + other.widthMm) / 2 <= acrossMm &&
          dy - (one.heightMm + other.heightMm) / 2 <= acrossMm
        return isNextDoor || across ? [{ controlRef: refOf(other), isNextDoor }] : []
      })
      out.set(refOf(one), near)
    }
  }
  return out
}

/** The usual distance from a control to its nearest, mm. */
function pitchOf(list: readonly Control[]): number {
  const nearest = list.map((one) =>
    Math.min(...list.map((o) => (o === one ? Infinity : Math.hypot(o.xMm - one.xMm, o.yMm - one.yMm)))),
  )
  const sorted = nearest.filter(Number.isFinite).sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}
