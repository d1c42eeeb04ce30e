import type { CommandId, ProgramId } from '../ids.js'
import { takeKinds } from '../hosts/index.js'
import type { Chord, Trigger } from '../triggers/index.js'

/** How grave a clash is, the gravest first. */
export const severities = ['blocks', 'shadows', 'ambiguous', 'caution'] as const
/**
 * blocks: the command never gets the press; shadows: something else gets it in some state;
 * ambiguous: two commands answer to it; caution: it works, with a snag.
 */
export type Severity = (typeof severities)[number]

/** Stages in the order in which a press passes them; then what is wrong though each press arrives. */
export const clashStages = [
  'device',
  'system',
  'input method',
  'host',
  'typing',
  'context',
  'relay',
  'stroke',
  'slip',
  'consistency',
] as const
/** The stage at which a press goes wrong. */
export type ClashStage = (typeof clashStages)[number]

/** What is wrong: one for each rule of the check. */
export const clashKinds = [
  'key-missing',
  'modifier-missing',
  'control-missing',
  'page-missing',
  'directions-missing',
  'popup-missing',
  'media-key',
  'tap-hold-key',
  'boot-report',
  'pair-unreported',
  'coarse-dial',
  'system-takes',
  'sticky-keys',
  'slow-keys',
  'probe-swallowed',
  ...takeKinds,
  'types-character',
  'types-capital',
  'types-third-level',
  'types-control-alt',
  'types-accent',
  'edits-text',
  'no-character',
  'number-block-shift',
  'character-moves',
  'two-commands',
  'hidden-in-context',
  'opens-page',
  'opens-popup',
  'tap-or-hold',
  'while-held',
  'repeats',
  'one-or-more-taps',
  'prefix',
  'drag-modifier',
  'default-lost',
  'barred-key',
  'relay-broken',
  'relay-elsewhere',
  'close-strokes',
  'stroke-or-drag',
  'menu-at-edge',
  'slip-neighbour',
  'slip-modifier',
  'no-way-out',
  'other-meaning',
] as const
/** Which rule found a clash. */
export type ClashKind = (typeof clashKinds)[number]

/** What a finding rests on, strongest first. */
export const evidences = ['probe', 'own settings', 'catalogue', 'plan', 'from memory', 'model'] as const
/** What a finding rests on. */
export type Evidence = (typeof evidences)[number]

/** Something that keeps a trigger from doing what the person means. */
export interface Clash {
  /** the same for the same clash in every run */
  readonly id: string
  readonly kind: ClashKind
  readonly severity: Severity
  readonly stage: ClashStage
  readonly trigger: Trigger
  readonly programId: ProgramId
  /** commands concerned, most used first */
  readonly commandIds: readonly CommandId[]
  /** who takes the key, and when */
  readonly message: string
  /** what the finding has in common with others that one change would mend, in words */
  readonly cause: string
  readonly evidence: Evidence
  /** what the control sends, for findings of relays */
  readonly sends?: readonly Chord[]
  /** how the system's own key can be changed, where that would mend it */
  readonly setting?: string
}
