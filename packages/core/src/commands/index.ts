export { contextsOverlap, programSchema, type Context, type Program } from './program.js'
export {
  canBeLiveTogether,
  liveWithAny,
  commandKinds,
  commandSchema,
  contextsInWords,
  damageLevels,
  fullName,
  hintKinds,
  isLiveIn,
  liveContexts,
  livesEverywhere,
  type Command,
  type DamageLevel,
  type Hint,
} from './command.js'
export { namesakesOf, searchCommands, namedSearch } from './search.js'
export { noRules, ruleBook, rulesSchema, type RuleBook, type Rules } from './rules.js'
export { standardActionOf, standardActions } from './standards.js'
export { declineReasons, type DeclineReason } from './rules.js'
