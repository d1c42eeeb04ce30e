export {
  modifiers,
  modifierCodes,
  isModifier,
  isModifierCode,
  sortModifiers,
  type Modifier,
} from './modifiers.js'
export { triggerSchema, chord, triggerKey, parseTrigger, type Trigger } from './trigger.js'
export { characterAt, codeOfCharacter, type NationalLayout } from './layout.js'
export { keyLegend, modifierName, triggerName, characterLegend } from './names.js'
export { systemIds, isSystemId, type SystemId } from './system.js'
