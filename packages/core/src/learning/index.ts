export { planDays, usualNewPerDay, type LearningDay } from './days.js'
