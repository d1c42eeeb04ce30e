import { WorkerHost, type Asked } from './host.js'
import type { ReachService } from './reach-protocol.js'

const host = new WorkerHost<ReachService>(
  (name) => new Worker(new URL('./reach.worker.ts', import.meta.url), { type: 'module', name }),
)

/** The one reach worker of the page, started at its first use. */
export const reachService = (): Asked<ReachService> => host.service
