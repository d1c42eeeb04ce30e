export { arrangementWith, planDays, usualNewPerDay, type DayPlan, type LearningDay } from './days.js'
