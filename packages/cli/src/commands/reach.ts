import {
  boardControls,
  bottomRows,
  defaultSpanMm,
  fingers,
  handSides,
  defaultRests,
  deviceControls,
  homeKeys,
  maxPlanBytes,
  isModifier,
  reachSolver,
  spanRangeMm,
  type ChordReach,
  type Control,
  type HandSide,
  type Modifier,
  type RestingHand,
} from '@reach-plot/core'
import { readBoardFile } from '@reach-plot/core/device-files'
import { basename } from 'node:path'
import { readTextFile, rounded, usageError, type Outcome } from '../io.js'
import { defineVerb, choiceOr, numberOr, text } from '../verb.js'

/** How one hand makes a chord on a catalogue board. A modifier without a side (Control) tries both. */
export const verb = defineVerb({
  name: 'reach',
  summary: 'how one hand makes a chord on a keyboard of the catalogue',
  files: '',
  options: {
    device: text('D.json', 'a device of your own, in the place of a board of the catalogue'),
    rests: text(
      'index=KeyF,thumb=Space',
      'what the fingertips rest on, by id or code; its home keys where left out',
    ),
    board: text('ansi-104', 'a keyboard of the catalogue'),
    keys: text('ControlLeft+KeyW', 'keys by their W3C codes; a modifier without a side tries both'),
    bottomRow: choiceOr(bottomRows, 'windows', 'the row of the space bar'),
    hand: choiceOr(handSides, 'left', 'which hand'),
    span: numberOr(defaultSpanMm, spanRangeMm.min, spanRangeMm.max, 'span of the hand in mm'),
  },
  run({ options }) {
    const { hand: side, span: spanMm } = options
    const { controls, rests } = boardOf(options, side)
    const keys = (options.keys ?? '')
      .split('+')
      .map((k) => k.trim())
      .filter(Boolean)
    const solver = reachSolver({ side, spanMm, rests }, controls)
    const sideless = keys.filter(isModifier)
    if (sideless.length === 0) return describe(solver.reachControls(keys.map((key) => idOf(key, controls))))
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

/** The keys to press, and what the fingertips rest on: of a device file, or of the catalogue. */
function boardOf(
  options: {
    readonly device: string | undefined
    readonly rests: string | undefined
    readonly board: string | undefined
    readonly bottomRow: (typeof bottomRows)[number]
  },
  side: HandSide,
): { readonly controls: readonly Control[]; readonly rests: RestingHand['rests'] } {
  const path = options.device
  const device =
    path === undefined ? undefined : readBoardFile(readTextFile(path, maxPlanBytes), basename(path)).device
  const controls = device
    ? deviceControls(device)
    : boardControls(options.board ?? 'ansi-104', options.bottomRow)
  const rests: RestingHand['rests'] = { ...(device ? defaultRests(device, side) : homeKeys[side]) }
  for (const part of (options.rests ?? '').split(',').filter(Boolean)) {
    const [finger = '', key = ''] = part.split('=').map((word) => word.trim())
    if (!fingers.some((f) => f === finger) || key === '')
      throw usageError(
        `"${part.slice(0, 40)}" is no fingertip and what it rests on`,
        `write --rests ${fingers.map((f) => `${f}=ID`).join(',')}`,
      )
    rests[finger as (typeof fingers)[number]] = idOf(key, controls)
  }
  return { controls, rests }
}

/** The control of that id, or the one that sends that code. */
const idOf = (key: string, controls: readonly Control[]): string =>
  (controls.find((c) => c.id === key) ?? controls.find((c) => c.code === key))?.id ?? key

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
