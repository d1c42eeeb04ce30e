import { WorkerHost, type Asked } from './host.js'
import type { SolveService } from './solve-protocol.js'

const host = new WorkerHost<SolveService>(
  (name) => new Worker(new URL('./solve.worker.ts', import.meta.url), { type: 'module', name }),
)

/** The worker that solves and compares, started at its first use. */
export const solveService = (): Asked<SolveService> => host.service

/** Ends the worker with all that it does; the next use starts a new one. */
export const endSolveService = (): void => host.end()
