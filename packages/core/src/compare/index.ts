export { arrangementFigures, recallMean, recallOf, type ArrangementFigures, type Recall } from './figures.js'
export { compareDevices, deviceReach, type DeviceReach } from './devices.js'
export { benchLoss, lossOfMove, type BenchLoss } from './loss.js'
export { changeKinds, changesBetween, learningMs, type Change, type ChangeKind } from './changes.js'
export {
  reportOf,
  prepareWork,
  type ArrangementReport,
  type ReachCount,
  type ArrangementWork,
} from './report.js'
export { compareArrangements, type Compared } from './comparison.js'
export { figureList, type Explanation, type Figure } from './figure-list.js'
export {
  comparisonSheet,
  figureHeads,
  sheetRows,
  type FigureHead,
  type SheetChange,
  type SheetColumn,
  type SheetRoutine,
} from './sheet.js'
