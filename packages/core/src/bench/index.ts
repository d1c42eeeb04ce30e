export { controlTypes, mirrorControls, type Control, type ControlType, type Row } from './control.js'
export {
  boardIds,
  boardName,
  boardControls,
  bottomRows,
  isBoardId,
  pitchMm,
  capGapMm,
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
  deviceSchema,
  deviceControls,
  deviceLegends,
  deviceTitle,
  isPointingDevice,
  pagesOf,
  type BoardDevice,
  type Device,
} from './device.js'
export {
  benchSchema,
  benchControls,
  deviceSizeMm,
  handOnBench,
  inPointingHand,
  homeKeys,
  keyControls,
  handSides,
  onDesk,
  spanRangeMm,
  type Bench,
  type BenchControl,
  type HandSide,
  type PlacedDevice,
  type HandFit,
  type Probe,
  type RestingHand,
} from './bench.js'
export { defaultRests } from './rests.js'
export { footprint, gapMm, mirrorBench, snapMove, type Footprint, type SnapGuide } from './desk.js'
export { canCarry, plainTriggers, splitSpot } from './offered.js'
export { lacking, offerOf, type BenchOffer, type Lack } from './offer.js'
export { homesOf, type Home, type PointerHold } from './homes.js'
