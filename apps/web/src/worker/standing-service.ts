import { arrivingTriggers, bestStanding, findClashes, prepare } from '@reach-plot/core'
import { catalogues } from './catalogues.js'
import { finished } from './finished.js'
import type { StandingService } from './standing-protocol.js'

export const standingService: StandingService = {
  async best(plan, deviceId, onProgress) {
    const model = prepare(plan, catalogues)
    const clashes = findClashes(model.arrangement.placements, model.env)
    const steps = bestStanding(model, deviceId, arrivingTriggers(model.index, clashes))
    return Promise.resolve(finished(steps, onProgress))
  },
}
