export { arrangementFigures, recallMean, recallOf, type ArrangementFigures, type Recall } from './figures.js'
export { compareDevices, deviceReach, type DeviceReach } from './devices.js'
export { benchLoss, lossOfMove, type BenchLoss } from './loss.js'
