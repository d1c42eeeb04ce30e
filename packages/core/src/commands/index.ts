export { contextSchema, programSchema, contextsOverlap, type Context, type Program } from './program.js'
export {
  commandSchema,
  contextsInWords,
  isLiveIn,
  liveContexts,
  canBeLiveTogether,
  type Command,
} from './command.js'
export { searchCommands } from './search.js'
