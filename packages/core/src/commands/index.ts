export { contextSchema, programSchema, contextsOverlap, type Context, type Program } from './program.js'
export {
  commandKinds,
  commandSchema,
  damageLevels,
  fullName,
  hintKinds,
  contextsInWords,
  isLiveIn,
  liveContexts,
  canBeLiveTogether,
  type Command,
  type CommandKind,
  type DamageLevel,
  type Hint,
} from './command.js'
export { namesakesOf, searchCommands } from './search.js'
export { noRules, ruleBook, rulesSchema, type RuleBook, type Rules } from './rules.js'
