import { browserCombos } from '@reach-plot/data'

/** Everything in the app that has a shortcut, with its default. All of them can be changed. */
export const appActions = [
  { id: 'undo', name: 'Undo', combo: 'Control+z' },
  { id: 'redo', name: 'Redo', combo: 'Control+Shift+z' },
  { id: 'find', name: 'Find a command by name', combo: 'f' },
  { id: 'listen', name: 'Find a command by pressing its key', combo: 'k' },
  { id: 'plot', name: 'Go to Plot', combo: '1' },
  { id: 'bench', name: 'Go to Bench', combo: '2' },
  { id: 'commands', name: 'Go to Commands', combo: '3' },
  { id: 'clashes', name: 'Go to Clashes', combo: '4' },
  { id: 'solve', name: 'Go to Solve', combo: '5' },
  { id: 'compare', name: 'Go to Compare', combo: '6' },
  { id: 'learn', name: 'Go to Learn', combo: '7' },
  { id: 'try', name: 'Go to Try', combo: '8' },
  { id: 'labels', name: 'Go to Labels', combo: '9' },
  { id: 'carry', name: 'Go to Carry', combo: '0' },
  { id: 'lookup', name: 'Go to Look up', combo: 'l' },
  { id: 'usage', name: 'Go to Usage', combo: 'u' },
  { id: 'unplaced', name: 'Choose the next command without a key', combo: 'n' },
  { id: 'lock', name: 'Lock or unlock the chosen command or key', combo: 'h' },
  { id: 'chart', name: 'Go to the keys on the chart', combo: 'c' },
  { id: 'layer-next', name: 'Next set of held modifiers', combo: '.' },
  { id: 'layer-previous', name: 'Previous set of held modifiers', combo: ',' },
  { id: 'fit-reach', name: 'Zoom the chart to the reach', combo: 'r' },
  { id: 'fit-desk', name: 'Zoom the chart to the whole desk', combo: 'd' },
  { id: 'clear', name: 'Choose no command and no key', combo: 'Escape' },
  { id: 'night', name: 'Day or night', combo: 't' },
  { id: 'shortcuts', name: 'Show the shortcuts of this app', combo: '?' },
] as const

export type AppActionId = (typeof appActions)[number]['id']

/** The combination of an action: the person's own, or the default. */
export const comboFor = (id: AppActionId, own: Readonly<Record<string, string>>): string =>
  own[id] ?? (appActions.find((a) => a.id === id)?.combo as string)

/** Why a combination cannot be given to an action, in words, or null when it can. */
export function refuseCombo(
  combo: string,
  id: AppActionId,
  own: Readonly<Record<string, string>>,
): string | null {
  if (browserCombos.includes(combo)) return 'The browser keeps this combination.'
  if (
    ['Tab', 'Shift+Tab', 'Enter', 'Space', 'ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].includes(combo)
  )
    return 'This key moves the focus or presses what has it.'
  const holder = appActions.find((a) => a.id !== id && comboFor(a.id, own) === combo)
  return holder ? `“${holder.name}” has it.` : null
}
