/** Every constant of the hand model, with its source. docs/sources.md lists them for readers. */
export const fingers = ['thumb', 'index', 'middle', 'ring', 'little'] as const
/** A finger of either hand. */
export type Finger = (typeof fingers)[number]

/** Span at which radii and finger spans hold; they scale by span / 206. Assumed, with the comfort radii. */
export const referenceSpanMm = 206
/** Span of a hand that nobody has measured. Assumed; between the survey's 25 and 75 %. */
export const defaultSpanMm = 190

/**
 * Comfort radii in mm at the reference span: [forward, back, in, out]. Assumed; they meet the trade facts: the thumb goes far under
 * the palm, to the keys beside the space bar.
 */
export const comfortRadiiMm: Readonly<Record<Finger, readonly [number, number, number, number]>> = {
  thumb: [14, 16, 36, 54],
  index: [42, 26, 30, 12],
  middle: [44, 24, 12, 10],
  ring: [40, 24, 10, 12],
  little: [26, 26, 9, 32],
}

/** A semitone of a piano keyboard: an octave is 165 mm. */
export const semitoneMm = 13.75

/**
 * Spans between fingertips in semitones, [largest relaxed, largest comfortable, largest practical], for a hand of
 * the reference span. Parncutt, Sloboda, Clarke, Raekallio and Desain (1997), table 1 (from memory).
 */
export const fingerSpansSemitones: Readonly<Record<string, readonly [number, number, number]>> = {
  '1-2': [5, 8, 10],
  '1-3': [7, 10, 12],
  '1-4': [9, 12, 14],
  '1-5': [10, 13, 15],
  '2-3': [2, 3, 5],
  '2-4': [4, 5, 7],
  '2-5': [6, 8, 10],
  '3-4': [2, 2, 4],
  '3-5': [4, 5, 7],
  '4-5': [2, 3, 5],
}

/** Palm shift that costs as much as a finger at its comfort radius, mm. Assumed. */
export const palmShiftScaleMm = 40
/** Turn of the palm that costs as much, degrees. Assumed. */
export const palmTurnScaleDeg = 14
/** The palm turns about a point this far towards the user from the mean of the four resting tips, mm. Assumed. */
export const pivotBehindTipsMm = 70
/** A fingertip lands at least this far inside the cap's edge, or on its centre line. Assumed. */
export const aimInsetMm = 5
/** The thumb rests this far inward of the index fingertip, on the space bar, mm. Assumed. */
export const thumbInwardMm = 12
/** Without a space bar the thumb rests this far nearer than the index fingertip: two rows, mm. */
export const thumbNearerMm = 38.1
/** The thumb rests on a key that lies no farther than this from where it hangs, mm. Assumed. */
export const mostThumbWayMm = 45
/** Fingers side by side are at least this wide each, mm. Assumed. */
export const fingerWidthMm = 9
/** Crossing by this much costs as much as a finger at its comfort radius, mm. Assumed. */
export const crossingScaleMm = 10

/** Comfortable reach up and down from the resting height at the reference span, mm. Assumed, the same for all fingers. */
export const heightRadiusMm = 20

/**
 * Tapping ability of each finger of the weaker and of the stronger hand, left and right in a right-handed person:
 * little, ring, middle, index. Hoke (1922) (from memory). The thumb was not measured; it counts as the index finger.
 */
export const tappingCapacity = {
  left: { little: 48, ring: 57, middle: 63, index: 66, thumb: 66 },
  right: { little: 56, ring: 62, middle: 69, index: 70, thumb: 70 },
} as const

/** Upper bounds of the wrist bands of RULA, degrees: in line, turned to 15°, beyond (from memory). */
export const wristBandsDeg = { inLine: 1, turned: 15 } as const

/** Upper bounds of effort for a verdict. Assumed; they meet the trade facts with margin. */
export const verdictLimits = { easy: 0.8, stretch: 2.05 } as const
/** A single key for which the palm shifts farther than this is away, mm. Assumed. */
export const mostPalmShiftMm = 50

/** Movement time per bit, ms: Fitts (1954), about 10 bits/s for hand and fingers (from memory). */
export const fittsMsPerBit = 100
/** Pressing a button that is under the finger, ms: Kieras' extension of the keystroke-level model (from memory). */
export const pressMs = 100
/** Closing the hand on what it has moved to, ms, as long as a press. Assumed. */
export const settleMs = 100
/** Homing the hand between devices, ms: H of Card, Moran and Newell (1980) (from memory). */
export const homingMs = 400
/** Movement time of the pointer per bit, ms: 4.5 bits/s, ISO 9241-411, Soukoreff and MacKenzie (2004) (from memory). */
export const pointingMsPerBit = 1000 / 4.5
/** Length of a stroke of the pointer, as the hand moves, mm. Assumed. */
export const strokeLengthMm = 20
/** The cap of a home key, which a hand that comes back has to find, mm. */
export const homeKeyMm = 18
