export {
  calibrationFrom,
  calibrationSchema,
  noAdjust,
  noCalibration,
  pageMatrix,
  type Adjust,
  type Calibration,
  type Measured,
} from './adjust.js'
export { bitsOf, drawingBits, plainBits, quarterTurn, type Picture, type Rasterise } from './bits.js'
export { bothSides, choosePrintForm, type PrintForm, type PrinterTakes } from './choose.js'
export { calibrationMarks, calibrationPage } from './calibration-page.js'
export { dotsFromMm, isInk, labelDpis, type Bits } from './dots.js'
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
  type Colour,
  type Document,
  type Drawing,
  type GroupMark,
  type Mark,
} from './drawing.js'
export {
  documentFile,
  fileForms,
  pageBits,
  pagePng,
  zipOf,
  type FileForm,
  type FileOptions,
  type OutFile,
} from './files.js'
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
export { documentPdf } from './pdf.js'
export { bitsPng, picturePng, pngSize } from './png.js'
export { noProgress, type Progress } from './progress.js'
export { pwgRaster, rasterTypes, readPwgRaster, type RasterPage, type RasterType } from './pwg-raster.js'
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
export { rasteriseWith, type SvgRenderer } from './renderer.js'
export { drawingSvg } from './svg.js'
export { leastStrokeDots, thickened, thinStrokeDots } from './thin.js'
