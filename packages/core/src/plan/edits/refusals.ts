import type { CommandId } from '../../ids.js'
import { ruleBook } from '../../commands/index.js'
import { controlRefOf, type Trigger } from '../../triggers/index.js'
import { activeArrangement } from '../access.js'
import type { Plan } from '../plan.js'
import type { PlaceEdit } from './placements.js'

/** A rule of the person that forbids a change: what is locked stays, and what is barred takes nothing. */
export type Refusal =
  | { readonly kind: 'command is locked'; readonly commandId: CommandId }
  | { readonly kind: 'control is locked'; readonly control: string }
  | { readonly kind: 'control is barred'; readonly control: string }

/** What keeps these commands from moving, or these triggers from being used; null when nothing does. */
export function refusalOf(
  plan: Plan,
  commandIds: readonly CommandId[],
  triggers: readonly Trigger[],
): Refusal | null {
  const rules = ruleBook(plan.rules)
  const locked = plan.commands.find((c) => commandIds.includes(c.id) && rules.locks(c))
  if (locked) return { kind: 'command is locked', commandId: locked.id }
  const controls = triggers.flatMap((t) => (t.kind === 'sequence' ? t.chords : [t])).map(controlRefOf)
  for (const control of controls) {
    if (control === null) continue
    if (rules.locksControl(control)) return { kind: 'control is locked', control }
    if (rules.bars(control)) return { kind: 'control is barred', control }
  }
  return null
}

/** What keeps a command from being placed: a command that has triggers moves, and so do those that give way. */
export function placeRefusal(plan: Plan, given: PlaceEdit): Refusal | null {
  const moves =
    given.keepOld !== true && activeArrangement(plan).placements.some((p) => p.commandId === given.commandId)
  return refusalOf(plan, [...(moves ? [given.commandId] : []), ...(given.displaced ?? [])], [given.trigger])
}

/** A refusal as a sentence, with what lifts it. */
export function refusalInWords(plan: Plan, refusal: Refusal): string {
  switch (refusal.kind) {
    case 'command is locked':
      return `“${plan.commands.find((c) => c.id === refusal.commandId)?.name ?? refusal.commandId}” is locked. Unlock it first.`
    case 'control is locked':
      return 'What is on that key is locked. Unlock it first.'
    case 'control is barred':
      return 'That key must not be used.'
  }
}
