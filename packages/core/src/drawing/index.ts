export {
  calibrationFrom,
  calibrationSchema,
  isPlain,
  noAdjust,
  noCalibration,
  pageMatrix,
  type Adjust,
  type Calibration,
  type Measured,
} from './adjust.js'
export { calibrationMarks, calibrationPage } from './calibration-page.js'
export { dotsFromMm, emptyBits, isInk, labelDpis, type Bits } from './dots.js'
export {
  black,
  ellipsePath,
  filled,
  flat,
  hairMm,
  line,
  rectPath,
  text,
  white,
  wordsOn,
  type Colour,
  type Document,
  type Drawing,
  type GroupMark,
  type Mark,
  type PathMark,
  type TextMark,
} from './drawing.js'
export { loadLabelFont, type LabelFont } from './font.js'
export {
  checkScaleMm,
  cutKinds,
  layLabels,
  pageEdgeMm,
  type CutKind,
  type LayOptions,
  type ReadyLabel,
} from './lay.js'
export { customMedia, papers, paperSizeMm, type SizeMm } from './media.js'
export {
  labelsPerPage,
  mediaOf,
  pageAcrossMm,
  pageSizeMm,
  shippedStocks,
  stockFault,
  stockOf,
  stockSchema,
  type Stock,
} from './stock.js'
