import { z } from 'zod'

export const faults = ['cover-open', 'no-media', 'wrong-size', 'slow', 'refuses'] as const
/** What can be made to go wrong, to see what the app does. */
export type Fault = (typeof faults)[number]

export const faultsSchema = z.strictObject({ faults: z.array(z.enum(faults)).max(faults.length) })

/** Reasons that a printer gives, by PWG 5100.9 and RFC 8011 (5.4.12). */
export const faultReasons: Readonly<Partial<Record<Fault, string>>> = {
  'cover-open': 'cover-open-error',
  'no-media': 'media-empty-error',
  'wrong-size': 'media-needed-error',
}
