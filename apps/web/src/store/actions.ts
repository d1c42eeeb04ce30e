import {
  activeArrangement,
  copyArrangement,
  moveMany,
  placeCommand,
  placeRefusal,
  refusalInWords,
  refusalOf,
  removePlacement,
  setPlacements,
  type DisplacementChain,
  type PlaceEdit,
  type Placement,
  type Plan,
  type Refusal,
  type Trigger,
  type CommandId,
} from '@reach-plot/core'
import { toast } from './message.js'
import { undo, usePlanStore, type Edit, type TellingEdit } from './plan-store.js'
import { derive } from './selectors.js'
import { useView } from './view-store.js'

/** Undo on a message: takes back the change that the message is about, and no other that came after it. */
export function undoAction(): { readonly label: string; readonly onClick: () => void } {
  const after = usePlanStore.getState().plan
  return {
    label: 'Undo',
    onClick: () => {
      if (usePlanStore.getState().plan === after) undo()
      else toast('The plan has changed since then. Undo at the foot of the screen goes back step by step.')
    },
  }
}

const nameOf = (plan: Plan, id: string): string => plan.commands.find((c) => c.id === id)?.name ?? id

/** The plan with a copy in front where an arrangement of defaults is, which is never edited. */
export const editable = (plan: Plan): Plan => {
  const { id, isDefault } = activeArrangement(plan)
  return isDefault ? copyArrangement(plan, id).plan : plan
}

/** Changes the arrangement in front; when that holds defaults, a copy of it that is made first. */
export function onEditable(change: Edit): void
export function onEditable<R>(change: TellingEdit<R>): R | null
export function onEditable<R>(change: Edit | TellingEdit<R>): R | null {
  const { plan, edit } = usePlanStore.getState()
  if (!plan) return null
  const { name, isDefault } = activeArrangement(plan)
  const told = edit((before) => change(editable(before)) as ReturnType<TellingEdit<R>>)
  if (isDefault) toast(`“${name}” stays as it is; the change went into a copy of it.`)
  return told
}

/** Says why a change is refused; true when it is. */
function isRefused(plan: Plan, refusal: Refusal | null): boolean {
  if (refusal) toast(refusalInWords(plan, refusal))
  return refusal !== null
}

/**
 * Moves all commands of a chain in one step.
 * @param keepsOld  the first one keeps what it has
 */
export function moveChain(chain: DisplacementChain, keepsOld = false): void {
  const moves = chain.steps.map((s, i) => ({
    commandId: s.command.id,
    from: i === 0 && keepsOld ? null : s.from,
    to: s.to && s.to.trigger,
  }))
  onEditable((plan) => moveMany(plan, moves))
  const [first, ...others] = chain.steps
  toast(
    `“${first?.command.name ?? ''}” has its place; ${others.length === 1 ? `“${others[0]?.command.name ?? ''}” has` : `${others.length} others have`} moved`,
    { action: undoAction() },
  )
}

/**
 * Places a command and tells what happened, with undo at hand.
 * @param also  another trigger that it gets in the same step
 */
export function place(edit: PlaceEdit, triggerText: string, also?: PlaceEdit): void {
  const { plan } = usePlanStore.getState()
  if (!plan || isRefused(plan, placeRefusal(plan, edit))) return
  onEditable((before) => {
    const placed = placeCommand(before, edit)
    return also ? placeCommand(placed, also) : placed
  })
  const after = usePlanStore.getState().plan
  const lost = (edit.displaced ?? []).filter(
    (id) => after !== null && derive(after).triggersOf(id).length === 0,
  )
  const view = useView.getState()
  view.set({
    displaced: [...lost, ...view.displaced.filter((id) => !lost.includes(id) && id !== edit.commandId)],
  })
  const moved = (edit.displaced ?? []).map(
    (id) => `“${nameOf(plan, id)}” ${lost.includes(id) ? 'has no key now' : 'has moved'}`,
  )
  toast([`“${nameOf(plan, edit.commandId)}” is on ${triggerText}`, ...moved].join('; '), {
    action: undoAction(),
  })
}

/** Takes a command off a trigger and tells it, with undo at hand. */
export function remove(commandId: CommandId, trigger: Trigger, triggerText: string): void {
  const { plan } = usePlanStore.getState()
  if (!plan || isRefused(plan, refusalOf(plan, [commandId], []))) return
  onEditable((before) => removePlacement(before, commandId, trigger))
  toast(`“${nameOf(plan, commandId)}” is removed from ${triggerText}`, { action: undoAction() })
}

export const planFileName = (plan: Pick<Plan, 'name'>): string =>
  `${plan.name.replace(/[^\p{L}\d ._-]+/gu, '').trim() || 'plan'}.reachplot.json`

/** Puts placements in place of those of the arrangement in front, in one step. */
export function takePlacements(placements: readonly Placement[], message: string): void {
  onEditable((plan) => setPlacements(plan, placements))
  toast(message, { action: undoAction() })
}

/** Adds an arrangement with these placements beside the one in front, and opens it. */
export function keepAsArrangement(placements: readonly Placement[]): void {
  const { plan, edit } = usePlanStore.getState()
  if (!plan) return
  const { id, name } = activeArrangement(plan)
  edit((before) => copyArrangement(before, id, { name: `${name}, solved`, placements: [...placements] }))
  const after = usePlanStore.getState().plan
  toast(`“${after ? activeArrangement(after).name : name}” is in use now; “${name}” is as it was`, {
    action: undoAction(),
  })
}
