import { sortModifiers, type Modifier, type NationalLayout } from '@reach-plot/core'

/** Sets of held modifiers that the Plot offers, plainest first. */
export const offeredHeld = (layout: NationalLayout): readonly (readonly Modifier[])[] => [
  [],
  ['Shift'],
  ['Control'],
  ['Alt'],
  ['Control', 'Shift'],
  ['Shift', 'Alt'],
  ['Control', 'Alt'],
  ['Meta'],
  ...(layout.altGraph ? ([['AltGraph']] as const) : []),
]

export const offeredModifiers = (layout: NationalLayout): readonly Modifier[] =>
  layout.altGraph ? ['Shift', 'Control', 'Alt', 'AltGraph', 'Meta'] : ['Shift', 'Control', 'Alt', 'Meta']

export const toggle = (held: readonly Modifier[], modifier: Modifier): Modifier[] =>
  sortModifiers(held.includes(modifier) ? held.filter((m) => m !== modifier) : [...held, modifier])
