import type { CommandId } from '../../ids.js'
import type { Icon, KeyLabel, KeyWords, LabelRule } from '../../label-design/index.js'
import type { Stock } from '../../drawing/index.js'
import type { Plan } from '../plan.js'
import { edit, editWith } from './edit.js'

/** Edits of how labels are made. */

export const setLabelRule = edit((plan: Plan, change: Partial<LabelRule>) => {
  Object.assign(plan.labels.rule, change)
})

type KeyChange = { readonly [K in keyof Omit<KeyLabel, 'controlId'>]?: KeyLabel[K] | undefined }

/** Changes what a key has of its own; undefined goes back to the rule. A key with nothing of its own is forgotten. */
export const setKeyLabel = edit(setKeyLabelIn)

function setKeyLabelIn(plan: Plan, controlId: string, change: KeyChange): void {
  const { keys } = plan.labels
  let at = keys.findIndex((key) => key.controlId === controlId)
  if (at === -1) at = keys.push({ controlId }) - 1
  const merged = { ...keys[at], ...change }
  const kept = Object.entries(merged).filter(([, value]) => value !== undefined)
  if (kept.length === 1) keys.splice(at, 1)
  else keys[at] = Object.fromEntries(kept) as KeyLabel
}

type WordsChange = { readonly [K in keyof Omit<KeyWords, 'commandId'>]?: string | undefined }

/**
 * Changes what a command says on one key alone; undefined or blanks go back to what it says on the others, and null
 * forgets it all.
 */
export const setKeyWords = edit(setKeyWordsIn)

export function setKeyWordsIn(
  plan: Plan,
  controlId: string,
  commandId: CommandId,
  change: WordsChange | null,
): void {
  const words = plan.labels.keys.find((key) => key.controlId === controlId)?.words ?? []
  const others = words.filter((w) => w.commandId !== commandId)
  const merged = { ...words.find((w) => w.commandId === commandId), ...change, commandId }
  const kept = Object.entries(merged).flatMap(([field, value]) => {
    const trimmed = value?.trim() ?? ''
    return trimmed === '' ? [] : [[field, trimmed] as const]
  })
  const next = change === null ? others : [...others, Object.fromEntries(kept) as KeyWords]
  setKeyLabelIn(plan, controlId, { words: next.length > 0 ? next : undefined })
}

/** The text of a command on labels; empty for its name. */
export const setLabelText = edit((plan: Plan, commandId: CommandId, text: string) => {
  const others = plan.labels.texts.filter((t) => t.commandId !== commandId)
  plan.labels.texts =
    text.trim() === '' ? others : [...others, { commandId, text: text.trim().slice(0, 120) }]
})

/** The short text of a command; empty for none. */
export const setShortText = edit((plan: Plan, commandId: CommandId, text: string) => {
  const command = plan.commands.find((c) => c.id === commandId)
  if (!command) return
  if (text.trim() === '') delete command.label
  else command.label = text.trim().slice(0, 60)
})

/** The icon of a command; null for the one that its name suggests. */
export const setIcon = edit((plan: Plan, commandId: CommandId, icon: string | null) => {
  const command = plan.commands.find((c) => c.id === commandId)
  if (!command) return
  if (icon === null) delete command.icon
  else command.icon = icon
})

/** Adds an icon of the person's own under an id that is free, and returns the id. */
export const addIcon = editWith((plan: Plan, icon: Omit<Icon, 'id'>): string => {
  const stem = `own-${
    icon.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'icon'
  }`
  const taken = new Set(plan.labels.icons.map((i) => i.id))
  let id = stem
  for (let n = 2; taken.has(id); n++) id = `${stem}-${n}`
  plan.labels.icons.push({ ...icon, id, paths: icon.paths.map((p) => ({ ...p })) })
  return id
})

/** Adds a stock of the person's own or changes the one of its id, and prints on it. */
export const putStock = edit((plan: Plan, stock: Stock) => {
  const { stocks, rule } = plan.labels
  const at = stocks.findIndex((s) => s.id === stock.id)
  if (at === -1) stocks.push(stock)
  else stocks[at] = stock
  rule.stockId = stock.id
})

/** Deletes a label stock of the person; labels on it go back to plain A4. */
export const dropStock = edit((plan: Plan, id: string) => {
  plan.labels.stocks = plan.labels.stocks.filter((s) => s.id !== id)
  if (plan.labels.rule.stockId === id) plan.labels.rule.stockId = 'a4'
})
