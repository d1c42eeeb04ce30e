import { paperSizeMm } from '@reach-plot/core/drawing'
import type { SizeMm } from './job.js'

/** The size that a PWG 5101.1 name carries, or null when it is no such name. */
export function mediaSizeMm(name: string): SizeMm | null {
  try {
    return paperSizeMm(name)
  } catch {
    return null
  }
}
