export { mirrorControls, type Control, type Row } from './control.js'
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
export { deviceSchema, deviceControls, type Device } from './device.js'
export {
  benchSchema,
  benchControls,
  homeKeys,
  handSides,
  spanRangeMm,
  type Bench,
  type BenchControl,
  type HandSide,
  type RestingHand,
} from './bench.js'
