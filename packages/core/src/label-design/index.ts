export { contrastOf, groundOf, leastContrast, materials, type Material } from './contrast.js'
export {
  contents,
  defaultChangedColour,
  defaultLabelDesign,
  defaultLabelRule,
  keyLabelSchema,
  labelDesignSchema,
  labelRuleSchema,
  levelForms,
  shapes,
  type Content,
  type KeyLabel,
  type KeyWords,
  type LabelDesign,
  type LabelRule,
  type LevelForm,
} from './design.js'
export {
  iconMarks,
  leastIconMm,
  ownIconSchema,
  packageIcon,
  plainPath,
  shapePath,
  type Icon,
  type IconNode,
} from './icon.js'
