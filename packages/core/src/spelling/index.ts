export { readKeys } from './cell.js'
export { plainStyle, type Speller, type SpellingStyle } from './style.js'
export { settleStyle } from './column.js'
export { readTrigger } from './spoken.js'
