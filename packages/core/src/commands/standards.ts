import type { Command } from './command.js'
import { table } from '../table.js'

/**
 * Actions with a standard key, by the names of the published table, and the words by which commands are called so. No
 * others count: what zooms, goes back or refreshes has keys that differ from program to program.
 */
const actionWords = table<readonly string[]>({
  Copy: ['copy'],
  Cut: ['cut'],
  Paste: ['paste'],
  Undo: ['undo'],
  Redo: ['redo'],
  SelectAll: ['select all'],
  Save: ['save'],
  Open: ['open'],
  New: ['new'],
  Print: ['print'],
  Find: ['find'],
  Close: ['close'],
  Quit: ['quit', 'exit'],
  HelpContents: ['help'],
})
const takesNoun: readonly string[] = ['Save', 'Open', 'New', 'Print', 'Find', 'Close', 'HelpContents']
/** Menus that standard actions are found in. */
const standardMenus = /^(edit|file|help)$/i
/** Actions of a text field. */
const textAction = /^(MoveTo|Select|DeleteStart|DeleteEnd|DeleteComplete|InsertParagraph|InsertLine)/

/** The names of actions that a command may stand for. */
export const standardActions: readonly string[] = Object.keys(actionWords)

const wordsOfAction = (action: string): string => action.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/**
 * The standard action that a command is, by the table's name: as the person has said, else by its name, in a menu Edit,
 * File or Help: “Copy”, “Save chart”, “Move to next word”; null for any other.
 */
export function standardActionOf(
  command: Pick<Command, 'name' | 'menu' | 'standard'>,
  actions: readonly string[] = standardActions,
): string | null {
  if (command.standard !== undefined) return command.standard === 'none' ? null : command.standard
  const name = command.name
    .toLowerCase()
    .replace(/(…|\.{3})$/, '')
    .trim()
  for (const action of actions) {
    if (textAction.test(action)) {
      if (action !== 'SelectAll' && name === wordsOfAction(action)) return action
      if (action !== 'SelectAll') continue
    }
    const isFound = (actionWords[action] ?? []).some(
      (word) =>
        name === word ||
        (takesNoun.includes(action) &&
          name.startsWith(`${word} `) &&
          !name.slice(word.length + 1).includes(' ')),
    )
    if (isFound && standardMenus.test(command.menu[0] ?? '')) return action
  }
  return null
}
