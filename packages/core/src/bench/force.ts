import { z } from '../zod.js'

/** How hard the controls of a device are to press, lightest first: the intensities of the Strain Index. */
export const forceLevels = ['light', 'somewhat hard', 'hard', 'very hard', 'near maximal'] as const
export const forceSchema = z.enum(forceLevels)
/** How hard the controls of a device are to press. */
export type Force = (typeof forceLevels)[number]
