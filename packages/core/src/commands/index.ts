export { contextSchema, programSchema, contextsOverlap, type Context, type Program } from './program.js'
export { commandSchema, liveContexts, canBeLiveTogether, type Command } from './command.js'
export { searchCommands } from './search.js'
