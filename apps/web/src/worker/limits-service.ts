import {
  beginAsking,
  chordsToAsk,
  fitReach,
  leaveOneOut,
  type Asking,
  type Control,
  type HandAtRest,
} from '@reach-plot/core'
import { finished } from './finished.js'
import type { LimitsService } from './limits-protocol.js'

interface Prepared {
  readonly hand: HandAtRest
  readonly controls: readonly Control[]
  readonly asking: Asking
}
let prepared: Prepared | null = null

export const limitsService: LimitsService = {
  async prepare(hand, controls, altGraph, onProgress) {
    const chords = chordsToAsk(hand, controls, altGraph)
    prepared = { hand, controls, asking: finished(beginAsking(hand, controls, chords), onProgress) }
    return Promise.resolve()
  },
  next: (answers, passed) => prepared?.asking.next(answers, passed) ?? null,
  async fit(answers, onProgress) {
    if (!prepared) throw new Error('nothing was prepared')
    const { hand, controls } = prepared
    const { reach } = fitReach(hand, controls, answers)
    return Promise.resolve({ reach, foretold: finished(leaveOneOut(hand, controls, answers), onProgress) })
  },
}
