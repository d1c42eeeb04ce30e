import { wrap, type Remote } from 'comlink'
import type { ReachService } from './reach-protocol.js'

let service: Remote<ReachService> | null = null

/** The one reach worker of the page, started at its first use. */
export function reachService(): Remote<ReachService> {
  service ??= wrap<ReachService>(
    new Worker(new URL('./reach.worker.ts', import.meta.url), { type: 'module' }),
  )
  return service
}
