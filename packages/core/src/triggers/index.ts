export {
  isModifier,
  isModifierCode,
  modifierCodes,
  modifiers,
  sortModifiers,
  type Modifier,
} from './modifiers.js'
export {
  actOf,
  acts,
  chord,
  chordSchema,
  heldOf,
  keyTrigger,
  keyWithAct,
  parseTrigger,
  refSchema,
  controlRef,
  controlRefOf,
  strokeCounts,
  triggerKey,
  triggerSchema,
  turns,
  withAct,
  withHeld,
  type Act,
  type Chord,
  type Sequence,
  type Trigger,
  type TriggerKey,
  type Turn,
} from './trigger.js'
export { characterAt, codeOfCharacter, type NationalLayout } from './layout.js'
export {
  actName,
  characterLegend,
  keyLegend,
  modifierName,
  controlName,
  strokeName,
  triggerName,
  type Naming,
} from './names.js'
export { isLinuxDesktop, systemIds, type SystemId } from './system.js'
export { popupSetSchema, type PopupSet } from './popup.js'
export { keyWords, type KeyNames, type KeyWordData, type KeyWords } from './key-words.js'
export { holdWaitMs, tapWaitMs } from './waits.js'
