import { wrap, type Remote } from 'comlink'
import type { SolveService } from './solve-protocol.js'

let current: { readonly worker: Worker; readonly service: Remote<SolveService> } | null = null

/** The worker that solves and compares, started at its first use. */
export function solveService(): Remote<SolveService> {
  if (!current) {
    const worker = new Worker(new URL('./solve.worker.ts', import.meta.url), { type: 'module' })
    current = { worker, service: wrap<SolveService>(worker) }
  }
  return current.service
}

/** Ends the worker with all that it does; the next use starts a new one. */
export function endSolveService(): void {
  current?.worker.terminate()
  current = null
}
