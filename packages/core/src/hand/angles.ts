/** Degrees to radians. */
export const degToRad = (angleDeg: number): number => (angleDeg * Math.PI) / 180
/** Radians to degrees. */
export const radToDeg = (angleRad: number): number => (angleRad * 180) / Math.PI
