import { CoreError } from '@reach-plot/core'
import { toast } from 'sonner'

/** One message for one fault: what is wrong, where, and how to mend it. Nothing has been changed. */
export function showProblem(error: unknown): void {
  if (error instanceof CoreError) {
    const { where, what, remedy } = error.detail
    toast.error(`${where.length > 0 ? `${where.join(' › ')}: ` : ''}${what}.`, {
      description: `${remedy}. Nothing was changed.`,
      duration: 15_000,
    })
  } else toast.error(`Something went wrong: ${(error as Error).message}`, { duration: 15_000 })
}
