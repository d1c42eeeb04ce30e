export { arrangementFigures, recallMean, recallOf, type Recall } from './figures.js'
export { dearWays, dearWaysOf, type DearWay } from './dear-ways.js'
export { compareDevices, type DeviceReach } from './devices.js'
export { benchLoss, lossOfMove, type BenchLoss } from './loss.js'
export { changesBetween, learningOf, type Change } from './changes.js'
export { arrivingTriggers, reportOf, prepareWork } from './report.js'
export { bestStanding, standingCost, type Standing, type StandingMap } from './standing.js'
export { compareArrangements } from './comparison.js'
export { figureList, type Explanation, type Figure } from './figure-list.js'
export {
  comparisonSheet,
  figureHeads,
  sheetRows,
  type FigureHead,
  type SheetColumn,
  type SheetRoutine,
} from './sheet.js'
