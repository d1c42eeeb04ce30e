export { askedKinds, longestAnswerMs, type Answer, type AskedKind } from './answer.js'
export { inOrder, readRecord, recordLine, writeRecord, type BadLine, type PracticeRecord } from './record.js'
export { type OwnTimes } from './grade.js'
export { cardKey, dayMs, forecast, Knowledge, type Known } from './cards.js'
export { afterAnswer, startQueue, type PracticeQueue, type Question } from './queue.js'
export { confusionsOf, type Confusion } from './confusions.js'
export { measuredTimes, type Measured, type MeasuredTimes } from './measured.js'
export { oldHabits, type OldHabit } from './habits.js'
export {
  defaultsToday,
  lessonOf,
  lessonOfAll,
  practiceToday,
  type Lesson,
  type PracticeDay,
} from './today.js'
export { enoughForOwn, ownFigures } from './own-figures.js'
export { fitFromPractice, type OwnFit } from './own-fit.js'
export { keptDefaults, mostKeptDefaults, type KeptDefault } from './defaults.js'
export { atWork, type AtWork, type StillByMenu, type WeekAtWork } from './at-work.js'
