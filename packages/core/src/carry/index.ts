export { setUpSteps, type SetUpPlace, type SetUpStep } from './set-up.js'
export { nextStep, progressOf, ticksSchema, type SetUpProgress, type Tick, type Ticks } from './progress.js'
export { keysInWords, stepInWords } from './words.js'
export { accelerator, dconfFile, freeingLines, type FreeingLines } from './system-commands.js'
