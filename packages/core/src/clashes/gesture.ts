import type { PressStages } from '../model/index.js'
import {
  actOf,
  holdWaitMs,
  tapWaitMs,
  triggerName,
  withAct,
  type Act,
  type Trigger,
} from '../triggers/index.js'
import type { Environment } from '../model/index.js'
import type { Scene } from './scene.js'

/** What a press counts as, once it is told from other acts on the same key. */
export interface Gesture {
  readonly worked: Trigger
  readonly times: number
  readonly waitMs: number
  readonly note: string
}

const plain = (worked: Trigger, note = '', waitMs = 0): Gesture => ({ worked, times: 1, waitMs, note })

/** How the act is told from others on the same key, and how long that takes. */
export function gestureOf(trigger: Trigger, scene: Scene, stages: PressStages, env: Environment): Gesture {
  const isSet = (t: Trigger): boolean =>
    scene.isSet(t) || stages.opensPopup(t, scene.program.id) !== undefined
  const act = actOf(trigger)
  if (act === 'press') return pressGesture(trigger, isSet)
  if (isSet(trigger)) {
    if (act === 'hold') return plain(trigger, `It counts as held after ${holdWaitMs} ms. `, holdWaitMs)
    return plain(trigger, act === 'during' ? 'It is on until the key is let go. ' : '')
  }
  const press = withAct(trigger, 'press')
  if (act === 'hold' || act === 'during') {
    const repeats = 'code' in trigger
    return plain(press, repeats ? `Nothing is set for a held ${triggerName(press, env)}: it repeats. ` : '')
  }
  return { worked: press, times: Number(act.slice(3)), waitMs: 0, note: '' }
}

function pressGesture(trigger: Trigger, isSet: (t: Trigger) => boolean): Gesture {
  const has = (a: Act): boolean => withAct(trigger, a) !== trigger && isSet(withAct(trigger, a))
  if (has('hold'))
    return plain(
      trigger,
      `A hold means something else, so a press counts at its release, at most ${holdWaitMs} ms later. `,
      holdWaitMs,
    )
  if (has('tap2') || has('tap3'))
    return plain(trigger, `More taps mean something else, so it waits ${tapWaitMs} ms for one. `, tapWaitMs)
  return plain(trigger)
}
