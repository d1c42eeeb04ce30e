import { z } from '../zod.js'
import { CoreError } from '../errors.js'

/** What a printer makes of a page, as it is read off a printed calibration page. */
export const calibrationSchema = z.strictObject({
  /** how far the corner cross came out to the right and down of its place, mm */
  offsetXMm: z.number().min(-20).max(20),
  offsetYMm: z.number().min(-20).max(20),
  /** printed length over true length, across and along the paper */
  scaleX: z.number().min(0.9).max(1.1),
  scaleY: z.number().min(0.9).max(1.1),
})
export type Calibration = z.infer<typeof calibrationSchema>

export const noCalibration: Calibration = Object.freeze({ offsetXMm: 0, offsetYMm: 0, scaleX: 1, scaleY: 1 })

/** How a page is changed on its way to the paper. */
export interface Adjust {
  readonly calibration: Calibration
  /** left and right exchanged, for clear stock that is read through */
  readonly mirror: boolean
}

export const noAdjust: Adjust = Object.freeze({ calibration: noCalibration, mirror: false })

/** `x' = ax + e`, `y' = dy + f`, mm. */
export interface PageMatrix {
  readonly a: number
  readonly d: number
  readonly e: number
  readonly f: number
}

/**
 * The change that makes a printer, which maps p to `scale p + offset`, put every point of the page where it belongs.
 * @param widthMm width of the page, about whose middle it is mirrored
 */
export function pageMatrix({ calibration: c, mirror }: Adjust, widthMm: number): PageMatrix {
  const [a, e] = mirror ? [-1, widthMm] : [1, 0]
  return { a: a / c.scaleX, d: 1 / c.scaleY, e: (e - c.offsetXMm) / c.scaleX, f: -c.offsetYMm / c.scaleY }
}

export const isPlain = (m: PageMatrix): boolean => m.a === 1 && m.d === 1 && m.e === 0 && m.f === 0

/** What a person measures on a printed calibration page, mm. */
export interface Measured {
  /** from the left and the top edge of the paper to the corner cross */
  readonly crossXMm: number
  readonly crossYMm: number
  /** length of the ruler across and of the one along the paper */
  readonly acrossMm: number
  readonly alongMm: number
}

/**
 * @param nominal the same lengths on the page as it was sent
 * @throws CoreError `MEASURE_IMPLAUSIBLE` when the printer would be off by more than 10 % or 20 mm
 */
export function calibrationFrom(measured: Measured, nominal: Measured): Calibration {
  const scaleX = measured.acrossMm / nominal.acrossMm
  const scaleY = measured.alongMm / nominal.alongMm
  const found = calibrationSchema.safeParse({
    scaleX,
    scaleY,
    offsetXMm: measured.crossXMm - scaleX * nominal.crossXMm,
    offsetYMm: measured.crossYMm - scaleY * nominal.crossYMm,
  })
  if (!found.success)
    throw new CoreError('MEASURE_IMPLAUSIBLE', {
      where: [],
      what: 'By these figures the printer would be off by more than 10 % or 20 mm',
      remedy: `Measure again: the cross lies ${nominal.crossXMm} mm from the left and ${nominal.crossYMm} mm from the top, the rulers are ${nominal.acrossMm} and ${nominal.alongMm} mm long`,
    })
  return found.data
}
