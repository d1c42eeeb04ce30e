export { feltAs, felts, type Felt } from './answers.js'
export {
  beginAsking,
  fitReach,
  leaveOneOut,
  personSolver,
  type Answer,
  type AskedChord,
  type Asking,
  type Foretold,
} from './asking.js'
export { averageHand, chordsToAsk } from './chords.js'
export { averagePerson, drawnPerson } from './person.js'
