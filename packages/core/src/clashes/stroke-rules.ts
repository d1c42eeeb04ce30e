import { liveContexts } from '../commands/index.js'
import { heldOf, triggerKey } from '../triggers/index.js'
import type { Finding, Rule } from './finding.js'
import { closeStrokesWords, menuAtEdgeWords, strokeOrDragWords } from './stroke-words.js'

/** Scatter of a drawn direction, degrees (standard deviation). Assumed; see strokeErrorShare. */
export const strokeScatterDeg = 9.5
/** Neighbouring directions count as too close from this share of slips on. Assumed: between 8 and 12 directions. */
const tooMany = 0.05

/**
 * Share of strokes that fall into a neighbour's sector, for directions evenly around and normal scatter. With 9 to 10° it
 * gives 0 % at 4, 1 to 3 % at 8 and 10 to 13 % at 12, as Kurtenbach and Buxton (1993) found (from memory).
 */
export function strokeErrorShare(directions: number, scatterDeg = strokeScatterDeg): number {
  const z = 180 / directions / scatterDeg
  return 1 - erf(z / Math.SQRT2)
}

/** The error function to 1.5e-7: Abramowitz and Stegun (1964), 7.1.26. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * x)
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  return 1 - poly * Math.exp(-x * x)
}

/** Directions side by side, where so many are drawn that one is taken for the other. */
export const closeStrokes: Rule = ({ trigger, program, commands }, { env, group }) => {
  if (trigger.kind !== 'stroke') return []
  const share = strokeErrorShare(trigger.of)
  if (share < tooMany) return []
  const beside = group(
    program.id,
    triggerKey({ ...trigger, direction: (trigger.direction + 1) % trigger.of }),
  )
  if (!beside) return []
  return [
    {
      kind: 'close-strokes',
      severity: 'caution',
      stage: 'stroke',
      ...closeStrokesWords(trigger, beside.trigger, env, beside.commands, trigger.of, share),
      evidence: 'model',
      commands: [...commands, ...beside.commands],
    },
  ]
}

/** A stroke on a button with which the program drags. */
export const strokeOrDrag: Rule = ({ trigger, program, commands }, { env }) => {
  if (trigger.kind !== 'stroke') return []
  return (program.drags ?? []).flatMap((drag): Finding[] => {
    const held = heldOf(trigger)
    const same = drag.modifier === null ? held.length === 0 : held.length === 1 && held[0] === drag.modifier
    const concerned = commands.filter(
      (c) => drag.contextId === null || liveContexts(c, program).includes(drag.contextId),
    )
    if (!same || concerned.length === 0) return []
    return [
      {
        kind: 'stroke-or-drag',
        severity: 'ambiguous',
        stage: 'stroke',
        ...strokeOrDragWords(trigger, env, program, drag.does),
        evidence: 'plan',
        commands: concerned,
      },
    ]
  })
}

/** Room that a pop-up set needs around a fingertip, mm. Assumed: its ring of 30 mm and half a place. */
const menuRoomMm = 35

/** A pop-up set that comes up at a fingertip near the edge of its screen. */
export const menuAtEdge: Rule = ({ trigger, commands }, { env }) => {
  if (trigger.kind !== 'popup') return []
  const set = env.popups?.find((p) => p.id === trigger.setId)
  const opener = set?.opener
  if (!set || set.at !== 'fingertip' || !opener || !('deviceId' in opener)) return []
  const device = env.devices?.find((d) => d.id === opener.deviceId)
  if (device?.kind !== 'drawn') return []
  const control = device.controls.find((c) => c.id === opener.controlId)
  if (!control || (device.form !== 'touch' && control.type !== 'zone')) return []
  const room = Math.min(control.xMm, control.yMm, device.widthMm - control.xMm, device.heightMm - control.yMm)
  if (room >= menuRoomMm) return []
  return [
    {
      kind: 'menu-at-edge',
      severity: 'caution',
      stage: 'stroke',
      ...menuAtEdgeWords(set, env.legends?.get(`${device.id}/${control.id}`) ?? control.name, device, room),
      evidence: 'model',
      commands,
    },
  ]
}

export const strokeRules: readonly Rule[] = [closeStrokes, strokeOrDrag, menuAtEdge]
