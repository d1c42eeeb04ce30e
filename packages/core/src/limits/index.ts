export { feltAs, felts, type Felt } from './answers.js'
export {
  agreementOf,
  beginAsking,
  fitReach,
  leaveOneOut,
  personSolver,
  type Answer,
  type AskedChord,
  type Asking,
  type FittedReach,
  type Foretold,
} from './asking.js'
export { chordsToAsk } from './chords.js'
export { averagePerson, drawnPerson, traits, type Person } from './person.js'
