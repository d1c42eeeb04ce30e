import type { Clash, Evidence, Severity } from '@reach-plot/core'

export const meanings: Readonly<Record<Severity, string>> = {
  blocks: 'The command never gets the press.',
  shadows: 'Something else gets the press in some state.',
  ambiguous: 'Two commands answer to the same press.',
  caution: 'It works, with a snag.',
}

export const stageNames: Readonly<Record<Clash['stage'], string>> = {
  device: 'device',
  system: 'system',
  'input method': 'input method',
  host: 'browser or terminal',
  typing: 'typing',
  context: 'program context',
  relay: 'relay',
  stroke: 'strokes and pen',
  slip: 'slips',
  consistency: 'consistency',
}

export const evidenceWords: Readonly<Record<Evidence, string>> = {
  probe: 'pressed on this machine',
  'own settings': 'from your own settings',
  catalogue: 'from a catalogue',
  plan: 'follows from the plan',
  'from memory': 'from memory: try it on this machine',
  model: 'by a model',
}
