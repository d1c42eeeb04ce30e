import { CoreError } from '@reach-plot/core'
import { toast } from './message.js'
import { AppProblem } from '../worker/app-problem.js'

/** Errors with words for the person; those of a worker come without their class, by their name. */
const isOurs = (error: unknown): error is Error =>
  error instanceof CoreError ||
  error instanceof AppProblem ||
  (error instanceof Error && ['CoreError', 'AppProblem'].includes(error.name))

/** What went wrong, in words for the person. Words of the engine go to its own log, where a developer finds them. */
export function problemInWords(error: unknown): string {
  if (isOurs(error)) return error.message
  const name = error instanceof Error || error instanceof DOMException ? error.name : ''
  if (name === 'QuotaExceededError') return 'The browser’s storage is full.'
  if (name === 'SecurityError' || name === 'NotAllowedError') return 'The browser does not allow it.'
  console.error(error)
  return 'Something went wrong in the app itself.'
}

/** One message for one fault: what is wrong, where, and how to mend it. Nothing has been changed. */
export function showProblem(error: unknown): void {
  if (error instanceof CoreError) {
    const { where, what, remedy } = error.detail
    toast.error(`${where.length > 0 ? `${where.join(' › ')}: ` : ''}${what}.`, {
      description: `${remedy}. Nothing was changed.`,
      duration: 15_000,
    })
  } else toast.error(problemInWords(error), { description: 'Nothing was changed.', duration: 15_000 })
}
