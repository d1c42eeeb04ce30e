export { heightAtMm, arcMinutesOf, characterArcMinutes } from './legibility.js'
export { loadLabelFont, type LabelFont } from './font.js'
export { fitLabel, signAdvance, type LabelFit, type LabelLine, type LabelText } from './fit.js'
export { shorten } from './shorten.js'
export {
  labelSheet,
  pageEdgeMm,
  defaultLabelOptions,
  type LabelOptions,
  type LabelSheet,
  type LabelSource,
  type PlacedLabel,
} from './sheet.js'
export { papers, paperSizeMm, type PaperId } from './paper.js'
export { labelPdf, checkScaleMm } from './pdf.js'
export { modifierSigns } from './signs.js'
export { listHtml, listMarkdown, listOrders, triggerList, type ListOrder, type TriggerList } from './list.js'
