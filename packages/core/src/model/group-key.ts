import type { ProgramId } from '../ids.js'
import type { TriggerKey } from '../triggers/index.js'

declare const brand: unique symbol
/** The key of a group: one program on one trigger. For maps only; it is never taken apart. */
export type GroupKey = string & { readonly [brand]: 'GroupKey' }

// no id and no trigger holds a line break, so that no two groups share a key
export const groupKey = (programId: ProgramId, trigger: TriggerKey): GroupKey =>
  `${programId}\n${trigger}` as GroupKey
