export {
  arrangementWith,
  dayBalance,
  planDays,
  usualNewPerDay,
  type DayPlan,
  type LearningDay,
} from './days.js'
