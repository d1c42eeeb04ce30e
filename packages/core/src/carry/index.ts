export { setUpSteps, type SetUpPlace, type SetUpStep } from './set-up.js'
export { nextStep, progressOf, ticksSchema, type SetUpProgress, type Tick, type Ticks } from './progress.js'
export { keysInWords, stepInWords } from './words.js'
export { dconfFile, freeingLines, type FreeingLines } from './system-commands.js'
export { rewriteKeyFile, type ChangedLine, type RewrittenFile, type Unsaid } from './key-file.js'
export { pageForOthers } from './page.js'
export { standardReport, type Deviation, type StandardReport, type Unfit } from './standard.js'
export { keptIdeas, nearestPlaces, type KeptIdea, type LostTrigger, type NearestPlace } from './nearest.js'
export {
  followStandard,
  standardKeys,
  standardOffer,
  type StandardChange,
  type StandardOffer,
  type TakenKey,
} from './follow.js'
export { placesOnBench } from './other-bench.js'
export { standingOf, type OwnDeviation, type Standing } from './standing.js'
export { setUpCsv, setUpMarkdown, setUpSheet, type SetUpPart } from './set-up-list.js'
export { hidTable, hwdbLines, remappedKeys, type CodeTable, type Remapped } from './device-codes.js'
