import type { CommandId, ProgramId } from '../ids.js'
import { fullName } from '../commands/index.js'
import {
  missingPartInWords,
  pressStages,
  sentBy,
  type Environment,
  type PressStages,
} from '../model/index.js'
import type { Placed } from '../plan/index.js'
import { triggerKey, triggerName, type Chord, type Trigger } from '../triggers/index.js'
import { gestureOf, type Gesture } from './gesture.js'
import { menuFault } from './relay.js'
import { Scene, type Setting } from './scene.js'
import { takenWords, typedInWords } from './press-words.js'

export const traceStages = [
  'device',
  'system',
  'input method',
  'host',
  'text field',
  'program',
  'command',
] as const
export type TraceStage = (typeof traceStages)[number]

/** What one stage did with a press. `ends`: nothing comes after it, for it was taken, typed or lost. */
export interface TraceStep {
  readonly stage: TraceStage
  readonly outcome: 'passes' | 'ends' | 'runs'
  readonly text: string
  /** time that the stage waits before it hands the press on, ms */
  readonly waitMs: number
}

/** What becomes of a press, stage by stage. */
export interface Trace {
  readonly steps: readonly TraceStep[]
  /** commands that run */
  readonly commandIds: readonly CommandId[]
  /** the page that the control opens; null goes back; undefined when it opens none */
  readonly opensPage?: string | null
  readonly waitMs: number
}

/** The program and context in use when a key is pressed. */
export interface Front {
  readonly programId: ProgramId
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
  const program = env.programs.find((p) => p.id === front.programId)
  if (!program) return { steps: [], commandIds: [], waitMs: 0 }
  const stages = pressStages(env)
  return new PressTrace(new Scene(program, front.contextId, placements, env, stages), env, stages).follow(
    trigger,
  )
}

/** One press on its way: each stage notes what it did, and the first that ends it gives the trace. */
class PressTrace {
  private readonly steps: TraceStep[] = []

  constructor(
    private readonly scene: Scene,
    private readonly env: Environment,
    private readonly stages: PressStages,
  ) {}

  follow(trigger: Trigger): Trace {
    const missing = this.stages.device(trigger)
    if (missing.length > 0) {
      const names = missing.map((part) => missingPartInWords(part, this.env)).join(' or ')
      this.step('device', 'ends', `No device on this bench has ${names}.`)
      return this.end()
    }
    const gesture = gestureOf(trigger, this.scene, this.stages, this.env)
    return this.openedByDevice(gesture) ?? this.sendOn(gesture)
  }

  private name(trigger: Trigger): string {
    return triggerName(trigger, this.env)
  }

  private step(stage: TraceStage, outcome: TraceStep['outcome'], text: string, waitMs = 0): void {
    this.steps.push({ stage, outcome, text, waitMs })
  }

  private end(commandIds: readonly CommandId[] = [], opensPage?: string | null): Trace {
    return {
      steps: this.steps,
      commandIds,
      ...(opensPage !== undefined && { opensPage }),
      waitMs: this.steps.reduce((sum, s) => sum + s.waitMs, 0),
    }
  }

  /** The device opens a page or a pop-up set itself; nothing goes on. */
  private openedByDevice({ worked, waitMs }: Gesture): Trace | null {
    const name = this.name(worked)
    const page = this.stages.opensPage(worked)
    if (page !== undefined) {
      const title = page === null ? 'the page before' : `the page “${pageName(worked, page, this.env)}”`
      this.step('device', 'runs', `${name} opens ${title}. Nothing goes to the program.`)
      return this.end([], page)
    }
    const set = worked.kind === 'popup' && this.env.popups?.find((p) => p.id === worked.setId)
    if (set && this.isOpenerKept(set.opener)) return this.end()
    const popup = this.stages.opensPopup(worked, this.scene.program.id)
    if (!popup) return null
    if (this.isOpenerKept(worked)) return this.end()
    this.step(
      'device',
      'runs',
      `${name} brings up the pop-up set “${popup.name}” at the ${popup.at}.`,
      waitMs,
    )
    return this.end()
  }

  /** Whether something takes the press that brings a pop-up set up, before it comes to it. */
  private isOpenerKept(opener: Trigger): boolean {
    const [sent] = sentBy(opener)
    if (sent) return this.isKept(sent)
    const [take] = this.stages.pointer(opener, this.scene.program).filter((t) => t.severity !== 'caution')
    if (take) this.step(take.stage, 'ends', `${take.by} takes ${this.name(opener)}: ${take.does}.`)
    return take !== undefined
  }

  private sendOn(gesture: Gesture): Trace {
    const { worked, times, waitMs, note } = gesture
    const { scene } = this
    const settings = scene.settingsOf(worked)
    const sent = sentBy(worked, settings?.sends)
    const again = times > 1 ? `${times} times, since nothing is set for that: each press counts.` : ''
    if (sent.length === 0) return this.tellProgram(gesture, settings, again)
    const sentNames = sent.map((s) => this.name(s)).join(', then ')
    const foreign = settings?.foreign ? `, as set for ${settings.foreign}` : ''
    const how =
      settings?.sends !== undefined
        ? `${this.name(worked)} sends ${sentNames}${foreign}.`
        : `The keyboard sends ${sentNames}.`
    this.step('device', 'passes', `${how} ${note}${again}`.trim(), waitMs)
    const isChain = (settings?.then.length ?? 0) > 0
    const { menuChord } = scene.program
    const walksMenu =
      sent.length > 1 && menuChord !== undefined && triggerKey(sent[0] as Chord) === triggerKey(menuChord)
    let ran: string[] = []
    for (const [i, chord] of sent.entries()) {
      if (this.isKept(chord)) return this.end()
      const popup = settings?.sends && this.stages.opensPopup(chord, scene.program.id)
      if (popup) {
        this.step('command', 'runs', `${this.name(chord)} brings up the pop-up set “${popup.name}”.`)
        return this.end()
      }
      if (walksMenu) return this.walkMenu(sent.slice(1), settings)
      const isLast = i === sent.length - 1
      if (worked.kind === 'sequence' && !isLast) continue
      const own = settings?.sends === undefined ? worked : chord
      const ids = this.runCommands(own)
      // of a chain each chord runs its command; else what comes before the last is a step on the way
      ran = isChain ? [...ran, ...ids] : ids
      if (ids.length === 0) break
    }
    return this.end(ran)
  }

  /** A control that sends no key: its driver tells the program, where something is set. */
  private tellProgram(
    { worked, note, waitMs }: Gesture,
    settings: Setting | undefined,
    again: string,
  ): Trace {
    const { scene, env } = this
    const name = this.name(worked)
    if (!settings) {
      const text = `${name} is pressed. Nothing is set on it${scene.elsewhere(worked)}. ${note}`
      this.step('device', 'ends', text.trim())
      return this.end()
    }
    const text = `${name} tells ${scene.program.name} itself; no key is sent. ${note}${again}`
    this.step('device', 'passes', text.trim(), waitMs)
    const [take] = this.stages.pointer(worked, scene.program).filter((t) => t.severity !== 'caution')
    if (take) {
      this.step(take.stage, 'ends', `${take.by} takes ${name}: ${take.does}.`)
      return this.end()
    }
    this.step('system', 'passes', `${env.system.name} sees no key.`)
    this.step('text field', 'passes', 'There is no character to type.')
    const ids = this.runCommands(worked)
    if (ids.length === 0 || settings.then.length === 0) return this.end(ids)
    const names = settings.then.map((c) => `“${fullName(c)}”`).join(', then ')
    this.step('command', 'runs', `Then ${names} ${settings.then.length === 1 ? 'runs' : 'run'}.`)
    return this.end([...ids, ...settings.then.map((c) => c.id)])
  }

  private walkMenu(walk: readonly Chord[], settings: Setting | undefined): Trace {
    const { program } = this.scene
    const letters = walk.map((s) => this.name(s)).join(', ')
    this.step('program', 'passes', `${program.name} opens its menus and walks them by ${letters}.`)
    const meant = settings?.command
    if (!meant || settings.foreign !== null || menuFault(meant, walk, this.env) !== null) {
      this.step('command', 'ends', 'No command stands there.')
      return this.end()
    }
    this.step('command', 'runs', `“${fullName(meant)}” runs.`)
    return this.end([meant.id])
  }

  /** Sends a chord through all that stands before the program; true when one of them keeps it. */
  private isKept(sent: Chord): boolean {
    const { env, stages, scene } = this
    const name = this.name(sent)
    const action = stages.system(sent)
    if (action !== null) {
      this.step('system', 'ends', `${env.system.name} takes ${name}: ${action}.`)
      return true
    }
    this.step('system', 'passes', `${name} is not used by ${env.system.name}.`)
    const method = stages.inputMethod(sent)
    if (method) {
      this.step('input method', 'ends', `${method.by} takes ${name}: ${method.does}.`)
      return true
    }
    if (this.isKeptByHost(sent)) return true
    const typed = stages.input(sent)
    const types = typed && typedInWords(typed)
    if (types && scene.context?.typing === true) {
      this.step('text field', 'ends', `Text can be typed in ${scene.context.name}: ${name} ${types}.`)
      return true
    }
    this.step(
      'text field',
      'passes',
      types ? `${name} ${types} elsewhere; no text is typed here.` : `${name} types nothing.`,
    )
    return false
  }

  /** Sends a chord through the browser or the terminal; true when it keeps it. */
  private isKeptByHost(sent: Chord): boolean {
    const { stages, env, scene } = this
    const { program } = scene
    if (program.host === undefined) return false
    const name = this.name(sent)
    const takes = stages.host(sent, program)
    const blocking = takes.find((take) => take.severity === 'blocks')
    if (blocking) {
      this.step('host', 'ends', `${takenWords(sent, env, blocking, program).message}`)
      return true
    }
    const arrives = stages.arrivesAs(sent, program)
    const isOther = arrives && triggerKey(arrives) !== triggerKey(sent)
    const [take] = takes
    const text = isOther
      ? `The terminal hands ${name} on as ${this.name(arrives)}.`
      : take
        ? takenWords(sent, env, take, program).message
        : `The ${program.host} hands ${name} on.`
    this.step('host', 'passes', text)
    return false
  }

  private runCommands(trigger: Trigger): string[] {
    const { scene } = this
    const name = this.name(trigger)
    const where = `${scene.program.name}, ${scene.context?.name ?? 'all contexts'}`
    const { live, alongside, other } = scene.boundTo(trigger)
    if (live.length === 0) {
      const [beside, elsewhere] = [alongside[0], other[0]]
      const more = beside
        ? ` “${beside.name}” has it where ${scene.contextNames(beside)} is live too.`
        : elsewhere
          ? ` “${elsewhere.name}” has it, but only in ${scene.contextNames(elsewhere)}.`
          : scene.elsewhere(trigger)
      this.step('program', 'ends', `${name} is not used by ${where}.${more}`)
      return []
    }
    this.step('program', 'passes', `${where} has ${name}.`)
    const rivals = live.length > 1 ? ' Which one the program takes is not known.' : ''
    this.step('command', 'runs', `${live.map((c) => `“${fullName(c)}”`).join(' or ')} runs.${rivals}`)
    return live.map((c) => c.id)
  }
}

const pageName = (trigger: Trigger, pageId: string, env: Environment): string =>
  env.legends?.get(`${'deviceId' in trigger ? trigger.deviceId : ''}@${pageId}`) ?? pageId
