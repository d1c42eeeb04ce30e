/** Height of what subtends `arcMinutes` at `distanceMm`, mm. */
export const heightAtMm = (arcMinutes: number, distanceMm: number): number =>
  2 * distanceMm * Math.tan((arcMinutes / 60 / 2) * (Math.PI / 180))

/** Angle of `heightMm` seen from `distanceMm`, minutes of arc. */
export const arcMinutesOf = (heightMm: number, distanceMm: number): number =>
  (2 * Math.atan(heightMm / 2 / distanceMm) * 180 * 60) / Math.PI

/** Character heights in minutes of arc: at least 16, better 20 to 22. ISO 9241-303 (from memory). */
export const characterArcMinutes = { least: 16, good: 20 } as const
