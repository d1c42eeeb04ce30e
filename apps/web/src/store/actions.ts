import {
  readPlan,
  spotOf,
  withArrangement,
  type DisplacementChain,
  type Placement,
  type Plan,
  type Trigger,
} from '@reach-plot/core'
import { toast } from 'sonner'
import { undo, usePlanStore } from './plan-store.js'
import { copyArrangement, moveAll, placeCommand, unplace, type PlaceEdit } from './plan-edits.js'
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

/** Runs `edit` on the arrangement in front; when that holds defaults, on a copy of it that is made first. */
export function onEditable(edit: (plan: Plan) => void): void {
  const { plan, edit: change } = usePlanStore.getState()
  if (!plan) return
  const { arrangement } = derive(plan)
  change((draft) => {
    if (arrangement.isDefault) copyArrangement(draft, arrangement.id)
    edit(draft)
  })
  if (arrangement.isDefault) toast(`“${arrangement.name}” stays as it is; the change went into a copy of it.`)
}

/** Says why a command cannot move or a place cannot be used, when a rule of the person forbids it. */
function refusal(plan: Plan, commandIds: readonly string[], triggers: readonly Trigger[]): string | null {
  const { survey } = derive(plan)
  const kept = plan.commands.find((c) => commandIds.includes(c.id) && survey.rules.keeps(c))
  if (kept) return `“${kept.name}” is kept where it is. Let it move first.`
  const spots = triggers.map(spotOf)
  if (spots.some(survey.rules.keepsSpot)) return 'What stands on that key is kept. Let it move first.'
  return spots.some(survey.rules.bars) ? 'That key must not be used.' : null
}

function isRefused(plan: Plan, commandIds: readonly string[], triggers: readonly Trigger[]): boolean {
  const reason = refusal(plan, commandIds, triggers)
  if (reason !== null) toast(reason)
  return reason !== null
}

/** Moves all commands of a chain in one step. */
export function moveChain(chain: DisplacementChain): void {
  const moves = chain.steps.map((s) => ({
    commandId: s.command.id,
    from: s.from,
    to: s.to && s.to.trigger,
  }))
  onEditable((draft) => moveAll(draft, moves))
  const [first, ...others] = chain.steps
  toast(
    `“${first?.command.name ?? ''}” has its place; ${others.length === 1 ? `“${others[0]?.command.name ?? ''}” has` : `${others.length} others have`} moved`,
    { action: undoAction() },
  )
}

/** Places a command and tells what happened, with undo at hand. */
export function place(edit: PlaceEdit, triggerText: string): void {
  const { plan } = usePlanStore.getState()
  if (!plan) return
  const standing = edit.keepOld === true ? [] : derive(plan).triggersOf(edit.commandId)
  if (
    isRefused(
      plan,
      [...(standing.length > 0 ? [edit.commandId] : []), ...(edit.displaced ?? [])],
      [edit.trigger],
    )
  )
    return
  onEditable((draft) => placeCommand(draft, edit))
  const after = usePlanStore.getState().plan
  const lost = (edit.displaced ?? []).filter(
    (id) => after !== null && derive(after).triggersOf(id).length === 0,
  )
  const view = useView.getState()
  view.set({
    displaced: [...lost, ...view.displaced.filter((id) => !lost.includes(id) && id !== edit.commandId)],
  })
  const moved = (edit.displaced ?? []).map(
    (id) => `“${nameOf(plan, id)}” ${lost.includes(id) ? 'is unplaced now' : 'has moved'}`,
  )
  toast([`“${nameOf(plan, edit.commandId)}” is on ${triggerText}`, ...moved].join('; '), {
    action: { label: 'Undo', onClick: undo },
  })
}

export function takeOff(commandId: string, trigger: Trigger, triggerText: string): void {
  const { plan } = usePlanStore.getState()
  if (!plan || isRefused(plan, [commandId], [])) return
  onEditable((draft) => unplace(draft, commandId, trigger))
  toast(`“${nameOf(plan, commandId)}” is off ${triggerText}`, { action: undoAction() })
}

export async function loadDemo(): Promise<Plan> {
  const { default: text } = await import('../../../../demo/demo.reachplot.json?raw')
  return readPlan(text, 'demo')
}

export function openPlan(plan: Plan, message: string): void {
  usePlanStore.getState().replace(plan)
  useView.getState().set({
    programId: null,
    contextId: null,
    commandId: null,
    spot: null,
    displaced: [],
    query: '',
    triggerQuery: null,
    onlyUnplaced: false,
  })
  toast(message, { action: undoAction() })
}

export const planFileName = (plan: Plan): string =>
  `${plan.name.replace(/[^\p{L}\d ._-]+/gu, '').trim() || 'plan'}.reachplot.json`

/** Puts placements in place of those of the arrangement in front, in one step. */
export function takePlacements(placements: readonly Placement[], message: string): void {
  onEditable((draft) => {
    const arrangement = draft.arrangements.find((a) => a.id === draft.activeArrangementId)
    if (arrangement) arrangement.placements = structuredClone(placements) as Placement[]
  })
  toast(message, { action: undoAction() })
}

/** Adds an arrangement with these placements beside the one in front, and opens it. */
export function keepAsArrangement(placements: readonly Placement[]): void {
  const { plan, edit } = usePlanStore.getState()
  if (!plan) return
  const { arrangement } = derive(plan)
  const names = new Set(plan.arrangements.map((a) => a.name))
  let name = `${arrangement.name}, solved`
  for (let n = 2; names.has(name); n++) name = `${arrangement.name}, solved ${n}`
  const next = withArrangement(
    plan,
    arrangement,
    structuredClone(placements) as Placement[],
    name.slice(0, 120),
  )
  edit((draft) => {
    draft.arrangements = structuredClone(next.arrangements)
    draft.activeArrangementId = next.activeArrangementId
  })
  toast(`“${name}” is in front now; “${arrangement.name}” is as it was`, { action: undoAction() })
}
