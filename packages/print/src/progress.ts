/**
 * Told how many steps are done of how many. It may take a moment, so that other messages are heard; when it rejects,
 * the work stops there and rejects with the same reason.
 */
export type Progress = (done: number, of: number) => Promise<void> | void

export const noProgress: Progress = () => undefined
