export { contextSchema, programSchema, contextsOverlap, type Context, type Program } from './program.js'
export {
  commandKinds,
  commandSchema,
  damageLevels,
  fullName,
  contextsInWords,
  isLiveIn,
  liveContexts,
  canBeLiveTogether,
  type Command,
  type CommandKind,
  type DamageLevel,
} from './command.js'
export { namesakesOf, searchCommands } from './search.js'
