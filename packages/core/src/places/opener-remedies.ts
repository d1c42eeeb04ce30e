import { typingContexts, type Clash } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import { commandsMet, reservedBy, sentBy, type PlaceIndex } from '../model/index.js'
import { triggerKey, triggerName, type PopupSet, type Trigger } from '../triggers/index.js'
import type { CandidatePlace } from './places.js'
import type { Remedy } from './remedy.js'

/** Stages that the press which opens a pop-up set passes before the set has it, and the room around it. */
const openerStages: readonly Clash['stage'][] = [
  'device',
  'system',
  'input method',
  'host',
  'typing',
  'stroke',
]

const openersOffered = 2

/** The set that a finding is about: one whose opener does not arrive, or one that opens where a command stands. */
function setOf(clash: Clash, index: PlaceIndex): PopupSet | undefined {
  const { trigger, kind, stage, programId } = clash
  if (trigger.kind === 'popup')
    return openerStages.includes(stage) ? index.env.popups?.find((s) => s.id === trigger.setId) : undefined
  return kind === 'opens-popup' ? index.stages.opensPopup(trigger, programId) : undefined
}

/** Commands that stand in a set. */
const commandsIn = (set: PopupSet, index: PlaceIndex): Command[] =>
  [...index.triggers].flatMap(([id, triggers]) =>
    triggers.some((t) => t.kind === 'popup' && t.setId === set.id) ? (index.commands.get(id) ?? []) : [],
  )

/**
 * A pop-up set that opens by the wrong press opens by a free one instead.
 * @param free  free places for the command that the finding is about, best first
 */
export function openerRemedies(clash: Clash, free: readonly CandidatePlace[], index: PlaceIndex): Remedy[] {
  const set = setOf(clash, index)
  if (!set) return []
  const { env, stages } = index
  const programs = env.programs.filter((p) => set.programId === undefined || p.id === set.programId)
  const isTyped = commandsIn(set, index).some((command) => {
    const program = env.programs.find((p) => p.id === command.programId)
    return program !== undefined && typingContexts(command, program).length > 0
  })
  // a set comes up with any of its programs in front, so that its press has to be free in all of them
  const opens = (trigger: Trigger): boolean =>
    trigger.kind !== 'popup' &&
    trigger.kind !== 'sequence' &&
    triggerKey(trigger) !== triggerKey(set.opener) &&
    programs.every((p) => reservedBy(trigger, index, p) === null) &&
    commandsMet(trigger, index).every((c) => programs.every((p) => p.id !== c.programId)) &&
    !(isTyped && sentBy(trigger).some((sent) => stages.input(sent) !== null))
  return free
    .filter((place) => opens(place.trigger))
    .slice(0, openersOffered)
    .map(({ trigger, reach }): Remedy => ({
      kind: 'opener',
      from: clash.trigger,
      setId: set.id,
      to: trigger,
      text: `Open the pop-up set “${set.name}” by ${triggerName(trigger, env)} instead (${reach.verdict}, ${Math.round(reach.timeMs)} ms)`,
    }))
}
