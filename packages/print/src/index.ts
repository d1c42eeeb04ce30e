export { bitsOf, drawingBits, plainBits, quarterTurn, type Picture, type Rasterise } from './bits.js'
export { bothSides, choosePrintForm, type PrinterTakes, type PrintForm } from './choose.js'
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
export { mediumOf, type Medium, type PrinterMedia } from './media.js'
export { documentPdf } from './pdf.js'
export { bitsPng, picturePng, pngSize } from './png.js'
export { noProgress, type Progress } from './progress.js'
export { pwgRaster, rasterTypes, readPwgRaster, type RasterPage, type RasterType } from './pwg-raster.js'
export { rasteriseWith, type SvgRenderer } from './renderer.js'
export { drawingSvg } from './svg.js'
export { leastStrokeDots, thickened, thinStrokeDots } from './thin.js'
export { facesZip } from './faces.js'
export { checkPrint, type PrintCheck } from './check.js'
