import {
  activeBench,
  beginAsking,
  averageHand,
  chordsToAsk,
  felts,
  fitReach,
  handOnBench,
  keyControls,
  leaveOneOut,
  maxPlanBytes,
  prepare,
  setOwnReach,
  writePlan,
  type Answer,
  type Felt,
} from '@reach-plot/core'
import { catalogues, loadPlan, readTextFile, rounded, usageError, writeOut } from '../io.js'
import { defineVerb, text } from '../verb.js'

/** Asks how chords feel, and fits the reach of the hand to what was said. */
export const verb = defineVerb({
  name: 'limits',
  summary: 'which chord to ask a person about next, and their own reach by their answers',
  files: 'PLAN.json',
  options: {
    answers: text('ANSWERS.json', 'what was said: a list of {"chord": ["keyboard/KeyT"], "felt": "easy"}'),
    out: text('NEW.json', 'the plan file to write, with the fitted reach at its hand'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    const hand = activeBench(plan).hands[0]
    if (!hand) throw usageError('the bench has no hand', 'add one')
    const { env } = prepare(plan, catalogues)
    const controls = keyControls(env.controls)
    const bare = averageHand(handOnBench(hand))
    const answers = options.answers === undefined ? [] : readAnswers(options.answers)
    const asking = finished(beginAsking(bare, controls, chordsToAsk(bare, controls, env.layout.altGraph)))
    const next = asking.next(answers)
    const fitted = answers.length > 1 ? fitReach(bare, controls, answers).reach : null
    const foretold = fitted ? finished(leaveOneOut(bare, controls, answers)) : null
    if (options.out !== undefined && fitted) writeOut(options.out, writePlan(setOwnReach(plan, fitted)))
    return {
      value: {
        chords: asking.chords.length,
        answers: answers.length,
        next,
        reach: fitted,
        foretold: foretold && { before: rounded(foretold.before, 3), after: rounded(foretold.after, 3) },
      },
      text: [
        next ? `Ask about ${next.join(' + ')}.` : 'There is nothing left to ask.',
        ...(foretold
          ? [
              `Of ${answers.length} answers an average hand foretells ${Math.round(100 * foretold.before)} %, the person’s own, each from the others, ${Math.round(100 * foretold.after)} %.`,
            ]
          : []),
      ].join('\n'),
    }
  },
})

function finished<T>(steps: Generator<number, T, void>): T {
  let step = steps.next()
  while (!step.done) step = steps.next()
  return step.value
}

function readAnswers(path: string): Answer[] {
  const fail = (): never => {
    throw usageError(
      `"${path}" is no list of answers`,
      `write [{"chord": ["keyboard/KeyT"], "felt": "${felts.join('" or "')}"}]`,
    )
  }
  let list: unknown
  try {
    list = JSON.parse(readTextFile(path, maxPlanBytes))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return fail()
  }
  if (!Array.isArray(list)) return fail()
  return list.map((entry: unknown): Answer => {
    const { chord, felt } = (entry ?? {}) as { chord?: unknown; felt?: unknown }
    const isChord = Array.isArray(chord) && chord.length > 0 && chord.every((id) => typeof id === 'string')
    return isChord && felts.some((f) => f === felt)
      ? { chord: chord as string[], felt: felt as Felt }
      : fail()
  })
}
