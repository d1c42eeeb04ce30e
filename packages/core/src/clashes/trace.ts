import { fullName, type Command } from '../commands/index.js'
import {
  missingPartInWords,
  pressStages,
  sentBy,
  type PressStages,
  type Environment,
} from '../model/index.js'
import {
  actOf,
  holdWaitMs,
  tapWaitMs,
  triggerKey,
  triggerName,
  withAct,
  type Act,
  type Chord,
  type Trigger,
} from '../triggers/index.js'
import { typedInWords } from './press-rules.js'
import { menuFault } from './relay.js'
import { Scene } from './scene.js'
import type { Placed } from '../plan/index.js'

export const traceStages = ['device', 'system', 'input method', 'program', 'command'] as const
export type TraceStage = (typeof traceStages)[number]

/** What one stage did with a press. `ends`: nothing comes after it, for it was taken, typed or lost. */
export interface TraceStep {
  readonly stage: TraceStage
  readonly outcome: 'passes' | 'ends' | 'runs'
  readonly text: string
  /** time that the stage waits before it hands the press on, ms */
  readonly waitMs: number
}

export interface Trace {
  readonly steps: readonly TraceStep[]
  /** commands that run */
  readonly commandIds: readonly string[]
  /** the page that the control opens; null goes back; undefined when it opens none */
  readonly opensPage?: string | null
  readonly waitMs: number
}

export interface Front {
  readonly programId: string
  readonly contextId: string
}

/**
 * Follows one press from the device to the command, step by step, with what is in front. Asks the same stages as
 * `findClashes`.
 */
export function tracePress(
  trigger: Trigger,
  front: Front,
  placements: readonly Placed[],
  env: Environment,
): Trace {
  const stages = pressStages(env)
  const steps: TraceStep[] = []
  const step = (stage: TraceStage, outcome: TraceStep['outcome'], text: string, waitMs = 0): void =>
    void steps.push({ stage, outcome, text, waitMs })
  const end = (commandIds: readonly string[] = [], opensPage?: string | null): Trace => ({
    steps,
    commandIds,
    ...(opensPage !== undefined && { opensPage }),
    waitMs: steps.reduce((sum, s) => sum + s.waitMs, 0),
  })
  const program = env.programs.find((p) => p.id === front.programId)
  if (!program) return end()
  const scene = new Scene(program, front.contextId, placements, env)

  const missing = stages.device(trigger)
  if (missing.length > 0) {
    step(
      'device',
      'ends',
      `No device on this bench has ${missing.map((l) => missingPartInWords(l, env)).join(' or ')}.`,
    )
    return end()
  }
  const { worked, times, waitMs, note } = gesture(trigger, scene, stages, env)
  const name = triggerName(worked, env)
  const page = stages.opensPage(worked)
  if (page !== undefined) {
    const title = page === null ? 'the page before' : `the page “${pageName(worked, page, env)}”`
    step('device', 'runs', `${name} opens ${title}. Nothing goes to the program.`)
    return end([], page)
  }
  const popup = stages.opensPopup(worked)
  if (popup) {
    step('device', 'runs', `${name} brings up the pop-up set “${popup.name}” at the ${popup.at}.`, waitMs)
    return end()
  }
  const settings = scene.settingsOf(worked)
  const sent = sentBy(worked, settings?.sends)
  const again = times > 1 ? `${times} times, since nothing is set for that: each press counts.` : ''
  if (sent.length === 0) {
    if (!settings) {
      step(
        'device',
        'ends',
        `${name} is pressed. Nothing is set on it${scene.elsewhere(worked)}. ${note}`.trim(),
      )
      return end()
    }
    step(
      'device',
      'passes',
      `${name} tells ${program.name} itself; no key is sent. ${note}${again}`.trim(),
      waitMs,
    )
    step('system', 'passes', `${env.system.name} sees no key.`)
    step('input method', 'passes', 'There is no character to type.')
    return end(runCommands(scene, worked, name, step))
  }
  const sentNames = sent.map((s) => triggerName(s, env)).join(', then ')
  const how =
    settings?.sends !== undefined
      ? `${name} sends ${sentNames}${settings.foreign ? `, as set for ${settings.foreign}` : ''}.`
      : `The keyboard sends ${sentNames}.`
  step('device', 'passes', `${how} ${note}${again}`.trim(), waitMs)
  for (const [i, chordSent] of sent.entries()) {
    const stopped = passes(chordSent, scene, stages, step, env)
    if (stopped) return end()
    if (worked.kind === 'sequence' && i < sent.length - 1) continue
    const walksMenu =
      sent.length > 1 && program.menuChord && triggerKey(sent[0] as Chord) === triggerKey(program.menuChord)
    if (walksMenu) {
      step(
        'program',
        'passes',
        `${program.name} opens its menus and walks them by ${sent
          .slice(1)
          .map((s) => triggerName(s, env))
          .join(', ')}.`,
      )
      const meant = settings?.command
      const arrives =
        meant !== undefined && settings?.foreign === null && menuFault(meant, sent.slice(1), env) === null
      step(
        'command',
        arrives ? 'runs' : 'ends',
        arrives ? `“${fullName(meant)}” runs.` : 'No command stands there.',
      )
      return end(arrives ? [meant.id] : [])
    }
    const own = settings?.sends === undefined ? worked : chordSent
    const ids = runCommands(scene, own, triggerName(own, env), step)
    if (i === sent.length - 1 || ids.length === 0) return end(ids)
  }
  return end()
}

type Step = (stage: TraceStage, outcome: TraceStep['outcome'], text: string, waitMs?: number) => void

/** Sends a chord through the system and the input method; true when one of them keeps it. */
function passes(sent: Chord, scene: Scene, stages: PressStages, step: Step, env: Environment): boolean {
  const name = triggerName(sent, env)
  const action = stages.system(sent)
  if (action !== null) {
    step('system', 'ends', `${env.system.name} takes ${name}: ${action}.`)
    return true
  }
  step('system', 'passes', `${env.system.name} has nothing on ${name}.`)
  const typed = stages.input(sent)
  if (typed && scene.context?.typing === true) {
    step(
      'input method',
      'ends',
      `Text can be typed in ${scene.context.name}: ${name} ${typedInWords(typed)}.`,
    )
    return true
  }
  step(
    'input method',
    'passes',
    typed ? `${name} ${typedInWords(typed)} elsewhere; no text is typed here.` : `${name} types nothing.`,
  )
  return false
}

function runCommands(scene: Scene, trigger: Trigger, name: string, step: Step): string[] {
  const { program, context } = scene
  const where = `${program.name}, ${context?.name ?? 'all contexts'}`
  const { live, alongside, other } = scene.boundTo(trigger)
  if (live.length === 0) {
    const more =
      alongside.length > 0
        ? ` “${alongside[0]?.name}” has it where ${scene.contextNames(alongside[0] as Command)} is live too.`
        : other.length > 0
          ? ` “${other[0]?.name}” has it, but only in ${scene.contextNames(other[0] as Command)}.`
          : scene.elsewhere(trigger)
    step('program', 'ends', `${where} has nothing on ${name}.${more}`)
    return []
  }
  step('program', 'passes', `${where} has ${name}.`)
  const rivals = live.length > 1 ? ' Which one the program takes is not known.' : ''
  step('command', 'runs', `${live.map((c) => `“${fullName(c)}”`).join(' or ')} runs.${rivals}`)
  return live.map((c) => c.id)
}

/** How the act is told from others on the same key, and how long that takes. */
function gesture(
  trigger: Trigger,
  scene: Scene,
  stages: PressStages,
  env: Environment,
): { readonly worked: Trigger; readonly times: number; readonly waitMs: number; readonly note: string } {
  const act = actOf(trigger)
  const isSet = (t: Trigger): boolean => scene.isSet(t) || stages.opensPopup(t) !== undefined
  const has = (a: Act): boolean => withAct(trigger, a) !== trigger && isSet(withAct(trigger, a))
  if (act === 'press') {
    if (has('hold'))
      return {
        worked: trigger,
        times: 1,
        waitMs: holdWaitMs,
        note: `A hold means something else, so a press counts at its release, at most ${holdWaitMs} ms later. `,
      }
    if (has('tap2') || has('tap3'))
      return {
        worked: trigger,
        times: 1,
        waitMs: tapWaitMs,
        note: `More taps mean something else, so it waits ${tapWaitMs} ms for one. `,
      }
    return { worked: trigger, times: 1, waitMs: 0, note: '' }
  }
  if (isSet(trigger)) {
    if (act === 'hold')
      return {
        worked: trigger,
        times: 1,
        waitMs: holdWaitMs,
        note: `It counts as held after ${holdWaitMs} ms. `,
      }
    if (act === 'during')
      return { worked: trigger, times: 1, waitMs: 0, note: 'It is on until the key is let go. ' }
    return { worked: trigger, times: 1, waitMs: 0, note: '' }
  }
  const plain = withAct(trigger, 'press')
  if (act === 'hold' || act === 'during') {
    const repeats =
      'code' in trigger ? `Nothing is set for a held ${triggerName(plain, env)}: it repeats. ` : ''
    return { worked: plain, times: 1, waitMs: 0, note: repeats }
  }
  return { worked: plain, times: Number(act.slice(3)), waitMs: 0, note: '' }
}

const pageName = (trigger: Trigger, pageId: string, env: Environment): string =>
  env.legends?.get(`${'deviceId' in trigger ? trigger.deviceId : ''}@${pageId}`) ?? pageId
