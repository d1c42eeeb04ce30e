import {
  boardControls,
  bottomRows,
  defaultSpanMm,
  handSides,
  homeKeys,
  isModifier,
  reachSolver,
  spanRangeMm,
  type ChordReach,
  type Modifier,
} from '@reach-plot/core'
import { rounded, usageError, type Outcome } from '../io.js'
import { defineVerb, choiceOr, numberOr, text } from '../verb.js'

/** How one hand makes a chord on a catalogue board. A modifier without a side (Control) tries both. */
export const verb = defineVerb({
  name: 'reach',
  summary: 'how one hand makes a chord on a keyboard of the catalogue',
  files: '',
  options: {
    board: text('ansi-104', 'a keyboard of the catalogue'),
    keys: text('ControlLeft+KeyW', 'keys by their W3C codes; a modifier without a side tries both'),
    bottomRow: choiceOr(bottomRows, 'windows', 'the row of the space bar'),
    hand: choiceOr(handSides, 'left', 'which hand'),
    span: numberOr(defaultSpanMm, spanRangeMm.min, spanRangeMm.max, 'span of the hand in mm'),
  },
  run({ options }) {
    const controls = boardControls(options.board ?? 'ansi-104', options.bottomRow)
    const { hand: side, span: spanMm } = options
    const keys = (options.keys ?? '')
      .split('+')
      .map((k) => k.trim())
      .filter(Boolean)
    const solver = reachSolver({ side, spanMm, rests: homeKeys[side] }, controls)
    const sideless = keys.filter(isModifier)
    if (sideless.length === 0) return describe(solver.reachControls(keys))
    const [code, ...more] = keys.filter((k) => !isModifier(k))
    if (code === undefined || more.length > 0)
      throw usageError(
        'modifiers without a side need exactly one key besides',
        'write Control+Shift+KeyU, or give every key its side',
      )
    const reach = solver.reachChord(sideless as Modifier[], code, false)
    if (!reach)
      throw usageError(
        `the board has no way to press ${keys.join('+').slice(0, 60)}`,
        'use W3C key codes that the board has',
      )
    return describe(reach)
  },
})

function describe(reach: ChordReach): Outcome {
  const value = {
    keys: reach.keys,
    verdict: reach.verdict,
    effort: rounded(reach.effort),
    stretch: rounded(reach.stretch),
    palmShiftMm: rounded(reach.palmShiftMm, 1),
    turnDeg: rounded(reach.turnDeg, 1),
    fingers: reach.fingers,
    spanUse: rounded(reach.spanUse),
    timeMs: rounded(reach.timeMs, 0),
  }
  const fingers = Object.entries(reach.fingers)
    .map(([key, finger]) => `${key} ${finger}`)
    .join(', ')
  return {
    value,
    text: `${reach.keys.join('+')}: ${reach.verdict}, effort ${value.effort}, ${value.timeMs} ms${fingers ? ` (${fingers})` : ''}`,
  }
}
