import type { Device } from '../bench/index.js'
import type { Command, Program } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import { triggerName, type PopupSet, type Trigger } from '../triggers/index.js'
import { firstName, type FindingWords } from './words.js'

export const closeStrokesWords = (
  trigger: Trigger,
  beside: Trigger,
  env: Environment,
  rival: readonly Command[],
  of: number,
  errorShare: number,
): FindingWords => ({
  message: `${triggerName(trigger, env)} and ${triggerName(beside, env)} (“${firstName(rival)}”) lie ${360 / of}° apart: about ${Math.round(errorShare * 100)} % of such strokes go wrong.`,
  cause: `${of} directions are drawn on one field.`,
})

export const strokeOrDragWords = (
  trigger: Trigger,
  env: Environment,
  program: Program,
  does: string,
): FindingWords => ({
  message: `${triggerName(trigger, env)} is a drag too, which in ${program.name} ${does}.`,
  cause: `A drag in ${program.name} ${does}.`,
})

export const menuAtEdgeWords = (
  set: PopupSet,
  control: string,
  device: Device,
  roomMm: number,
): FindingWords => ({
  message: `“${set.name}” comes up at the fingertip on ${control}, ${Math.round(roomMm)} mm from the edge of “${device.name}”: entries on that side have no room.`,
  cause: `“${set.name}” comes up too near the edge of “${device.name}”.`,
})
