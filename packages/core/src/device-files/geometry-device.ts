import { homeKeys, pitchMm, type DrawnControl, type DrawnDevice } from '../bench/index.js'
import { handFrame, toFrame, turnOfRests } from '../hand/index.js'
import { xkbCode } from './xkb-codes.js'
import type { Geometry, GeometryKey } from './xkb-geometry.js'

/** A key lies where the thumb works when it is this much nearer to the wrist than the home row, mm. Assumed: a row and a half. */
const thumbRowMm = 1.5 * pitchMm
/** A group of keys without letters is the thumb's when it lies between the index fingers, and its middle this much nearer, mm. Assumed. */
const thumbGroupMm = 0.5 * pitchMm

/** A board of an XKB geometry as a device of one's own: every key with its turn, its code and whether the thumb works it. */
export function deviceFromGeometry(geometry: Geometry, id: string, name = geometry.description): DrawnDevice {
  const isThumb = thumbKeys(geometry.keys)
  const seen = new Map<string, number>()
  return {
    id,
    name: name.slice(0, 120) || 'Keyboard',
    kind: 'drawn',
    form: 'keyboard',
    widthMm: Math.min(1000, Math.ceil(geometry.widthMm)),
    heightMm: Math.min(1000, Math.ceil(geometry.heightMm)),
    controls: geometry.keys.map((key): DrawnControl => {
      const code = xkbCode(key.name)
      const base = code ?? key.name
      const count = (seen.get(base) ?? 0) + 1
      seen.set(base, count)
      return {
        id: count === 1 ? base : `${base}-${count}`,
        name: code === null ? key.name : '',
        type: 'key',
        shape: 'rect',
        xMm: key.xMm,
        yMm: key.yMm,
        widthMm: Math.max(1, key.widthMm),
        heightMm: Math.max(1, key.heightMm),
        code,
        ...(key.turnDeg !== 0 && { turnDeg: key.turnDeg }),
        ...(key.outlineMm && { outlineMm: key.outlineMm.map(([x, y]) => [x, y]) }),
        ...(isThumb(key) && { thumb: true }),
      }
    }),
    pages: [],
  }
}

/** Which keys lie where a thumb works, for hands that rest on the home row of each half. */
function thumbKeys(keys: readonly GeometryKey[]): (key: GeometryKey) => boolean {
  const byCode = new Map(keys.map((k) => [xkbCode(k.name), k]))
  const hands = (['left', 'right'] as const).flatMap((side) => {
    const rests = Object.values(homeKeys[side]).flatMap((code) => byCode.get(code) ?? [])
    const index = byCode.get(homeKeys[side].index)
    if (rests.length < 4 || !index) return []
    const frame = handFrame(side, turnOfRests(rests))
    return [{ frame, index: toFrame(frame, index.xMm, index.yMm) }]
  })
  if (hands.length === 0) return () => false
  const isNear = (key: GeometryKey, mm: number, isInward: boolean): boolean =>
    hands.some(({ frame, index }) => {
      const at = toFrame(frame, key.xMm, key.yMm)
      return at.y - index.y >= mm && (!isInward || at.x > index.x - pitchMm / 2)
    })
  const groups = new Map<string, GeometryKey[]>()
  for (const key of keys) groups.set(key.section, [...(groups.get(key.section) ?? []), key])
  const isThumbGroup = (group: readonly GeometryKey[]): boolean => {
    if (group.some((k) => /^(Key|Digit|F\d|Numpad)/.test(xkbCode(k.name) ?? ''))) return false
    const xs = hands.map((h) => h.index.x * h.frame.sign)
    const middle = group.reduce((sum, k) => sum + k.xMm, 0) / group.length
    const isBetween = hands.length < 2 || (middle > Math.min(...xs) && middle < Math.max(...xs))
    return (
      isBetween && group.every((k) => isNear(k, 0, true)) && group.some((k) => isNear(k, thumbGroupMm, true))
    )
  }
  const thumbGroups = new Set([...groups].flatMap(([name, group]) => (isThumbGroup(group) ? [name] : [])))
  return (key) => thumbGroups.has(key.section) || isNear(key, thumbRowMm, false)
}
