/** Stages after the device at which someone else can take a press, in the order in which it passes them. */
export const takingStages = ['system', 'input method', 'host', 'text field', 'program'] as const
export type TakingStage = (typeof takingStages)[number]

/** Why a press is taken: one for each rule of the stages. */
export const takeKinds = [
  'pointer-system',
  'input-method',
  'compose-key',
  'browser-takes',
  'browser-default',
  'browser-pointer',
  'terminal-never',
  'terminal-collapses',
  'terminal-line',
  'terminal-window',
  'pointer-program',
] as const
export type TakeKind = (typeof takeKinds)[number]

/** Someone that takes a press, or may take it, before a command of the program can have it. */
export interface StageTake {
  readonly stage: TakingStage
  readonly kind: TakeKind
  /** blocks: it never arrives; shadows: something else answers; caution: it arrives, with a setting or at a risk */
  readonly severity: 'blocks' | 'shadows' | 'caution'
  /** who takes it, such as `The browser` */
  readonly by: string
  /** for what, as a part of a sentence: `close the tab` */
  readonly does: string
  /** what would free it, as a sentence; null where nothing is known */
  readonly remedy: string | null
  readonly evidence: 'catalogue' | 'own settings' | 'plan' | 'from memory'
}
