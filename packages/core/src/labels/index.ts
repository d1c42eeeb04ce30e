export { arcMinutesOf, characterArcMinutes, heightAtMm } from './legibility.js'
export { layOutLabel, type LabelEntry, type LabelLayout, type LabelForm, type LabelText } from './fit.js'
export { signAdvance, type LabelIcon, type LabelLine } from './stack.js'
export { shorten } from './shorten.js'
export { iconSet, type IconPackage, type IconSet } from './icon-set.js'
export {
  labelIconId,
  labelTextOf,
  labelTexts,
  signsOfSheets,
  type LabelSource,
  type NamedEntry,
} from './texts.js'
export {
  labelPages,
  labelSizeMm,
  makeLabels,
  printedText,
  readyLabel,
  type Label,
  type LabelSet,
  type UnreadableLabel,
} from './labels.js'
export { deckFaces, deckPage, defaultFaceOptions, type DeckFace, type FaceOptions } from './deck.js'
export { strokeCards, strokeSets, type StrokeCards, type StrokeSet } from './stroke-card.js'
export { boardSheet } from './board-sheet.js'
export { foldedCard, listSheet } from './list-sheet.js'
export { modifierSigns } from './signs.js'
export { listHtml, listMarkdown, listOrders, triggerList, type ListOrder, type TriggerList } from './list.js'
export {
  deckDevices,
  labelledDevices,
  listed,
  makeSheet,
  overlayDevices,
  paperStock,
  sheetKinds,
  type Sheet,
  type SheetChoice,
  type SheetKind,
  type SheetSource,
} from './sheets.js'
