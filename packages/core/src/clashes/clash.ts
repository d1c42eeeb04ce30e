import type { Trigger } from '../triggers/index.js'

export const severities = ['blocks', 'shadows', 'ambiguous', 'caution'] as const
/**
 * blocks: the command never gets the press; shadows: something else gets it in some state;
 * ambiguous: two commands answer to it; caution: it works, with a snag.
 */
export type Severity = (typeof severities)[number]

/** Layers in the order in which a press passes them. */
export const clashLayers = ['device', 'system', 'typing', 'context', 'relay'] as const
export type ClashLayer = (typeof clashLayers)[number]

/** Something that keeps a trigger from doing what the person means. */
export interface Clash {
  /** the same for the same clash in every run */
  readonly id: string
  readonly severity: Severity
  readonly layer: ClashLayer
  readonly trigger: Trigger
  /** commands concerned, most used first */
  readonly commandIds: readonly string[]
  /** who takes the key, and when */
  readonly message: string
}
