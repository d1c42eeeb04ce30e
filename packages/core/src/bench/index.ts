export { type FingerCare, type OwnLimits, type OwnReach } from './own-limits.js'
export { heldModifiers, layeredKeys, type HeldModifier, type LayeredKey } from './layers.js'
export { layerOpenings, usualTapHoldMs, type FirmwareLayer, type LayerOpening } from './firmware.js'
export { controlTypes, mirrorControls, type Control, type ControlType, type Row } from './control.js'
export {
  boardControls,
  boardIds,
  boardName,
  bottomRows,
  capGapMm,
  pitchMm,
  type BoardId,
  type BottomRow,
} from './boards.js'
export {
  deviceForms,
  drawnDeviceSchema,
  type DeviceForm,
  type DrawnControl,
  type DrawnDevice,
  type Page,
} from './drawn.js'
export { deviceFromModel, type DeviceModel } from './catalogue.js'
export {
  deviceControls,
  deviceLegends,
  deviceSchema,
  deviceTitle,
  isKeyboard,
  isPointingDevice,
  pagesOf,
  type BoardDevice,
  type Device,
} from './device.js'
export {
  benchControls,
  benchSchema,
  deviceSizeMm,
  handOnBench,
  handSides,
  homeKeys,
  restIds,
  inPointingHand,
  keyControls,
  onDesk,
  spanRangeMm,
  type Bench,
  type BenchControl,
  type HandFit,
  type HandSide,
  type PlacedDevice,
  type Probe,
  type RestingHand,
} from './bench.js'
export { defaultRests } from './rests.js'
export { footprint, gapMm, mirrorBench, snapMove, type Footprint, type SnapGuide } from './desk.js'
export { canCarry, plainTriggers, splitControlRef } from './offered.js'
export { missingParts, offerOf, type BenchOffer, type MissingPart } from './offer.js'
export { bodyOf, homesOf, type Home, type PointerHold } from './homes.js'
export { forceLevels, type Force } from './force.js'
