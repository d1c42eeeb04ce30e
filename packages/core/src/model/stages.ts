import { missingParts, offerOf, pagesOf, type BenchOffer, type MissingPart } from '../bench/index.js'
import type { Program } from '../commands/index.js'
import {
  arrivesAs,
  browserTake,
  inputMethodTake,
  pointerOwned,
  pointerRole,
  pointerTakes,
  terminalTakes,
  type BrowserKey,
  type StageTake,
} from '../hosts/index.js'
import { systemTakes, type SystemTake } from '../systems/index.js'
import {
  actOf,
  chord,
  heldOf,
  triggerKey,
  type Chord,
  type PopupSet,
  type Trigger,
  type TriggerKey,
} from '../triggers/index.js'
import type { Environment } from './environment.js'
import { typedBy, type Typed } from './typing.js'

/** The stages that a press passes before the program has it, each asked in one place by the check and by the trace. */
export interface PressStages {
  /** the press that has to pass for a trigger: what opens its pop-up set, else itself; null where the set is gone */
  pressed(trigger: Trigger): Trigger | null
  /** what the bench lacks for the trigger */
  device(trigger: Trigger): readonly MissingPart[]
  /** what the system does with a chord, when it takes it; a probe that arrived clears it */
  system(sent: Chord): string | null
  /** the same as the catalogues and settings have it, for a key that is held or tapped too */
  systemTake(worked: Trigger): (SystemTake & { readonly isRepeated: 'tap5' | 'hold' | null }) | null
  /** what a chord does to text where text can be typed */
  input(sent: Chord): Typed | null
  /** what the input method does with a chord; null for nothing */
  inputMethod(sent: Chord): StageTake | null
  /** what the browser or terminal of a program does with a chord, the gravest first; none where it arrives as itself */
  host(sent: Chord, program: Program): readonly StageTake[]
  /** the chord as which one arrives at a program: a terminal makes Tab of Ctrl+I; null where nothing arrives */
  arrivesAs(sent: Chord, program: Program): Chord | null
  /** who takes an act of the pointer: the desktop, the browser, the program by itself */
  pointer(trigger: Trigger, program: Program): readonly StageTake[]
  /** whether an act of the pointer belongs to the program, so that nothing is proposed for it */
  pointerOwned(trigger: Trigger, program: Program): StageTake | null
  /** the page that a control opens instead of carrying a command; null goes back; undefined when it opens none */
  opensPage(trigger: Trigger): string | null | undefined
  /** the pop-up set that the trigger brings up, with a program in front or, where left out, with any */
  opensPopup(trigger: Trigger, programId?: string): PopupSet | undefined
}

const noKeys: ReadonlyMap<TriggerKey, BrowserKey> = new Map()

export function pressStages(env: Environment): PressStages {
  const offer: BenchOffer = offerOf(env.controls, env.devices ?? [], env.layered)
  const taken = systemTakes(env.system, env.layout, env.ownKeys)
  const popups = env.popups ?? []
  const openers = new Map<TriggerKey, PopupSet[]>()
  for (const set of popups) {
    const key = triggerKey(set.opener)
    openers.set(key, [...(openers.get(key) ?? []), set])
  }
  const openerOf = (setId: string): Trigger | null => popups.find((set) => set.id === setId)?.opener ?? null
  return {
    pressed: (trigger) => (trigger.kind === 'popup' ? openerOf(trigger.setId) : trigger),
    device: (trigger) => missingParts(trigger, offer, env.layout.altGraph, openerOf),
    system(sent) {
      const key = triggerKey(sent)
      if (env.probes?.get(key) === 'arrives') return null
      const take = taken.get(key)
      if (take) return take.action
      return env.probes?.get(key) === 'swallowed' ? 'it never arrived when it was pressed here' : null
    },
    systemTake(worked) {
      const take = taken.get(triggerKey(worked))
      const act = actOf(worked)
      return take ? { ...take, isRepeated: act === 'tap5' || act === 'hold' ? act : null } : null
    },
    input: (sent) => typedBy(sent, env.layout, env.systemId, env.textActions),
    inputMethod: (sent) =>
      env.inputMethod && env.probes?.get(triggerKey(sent)) !== 'arrives'
        ? inputMethodTake(sent, env.inputMethod)
        : null,
    host(sent, program) {
      if (env.probes?.get(triggerKey(sent)) === 'arrives') return []
      const browser = browserTake(sent, program, env.browserKeys ?? noKeys)
      return browser ? [browser] : terminalTakes(sent, program, env.layout, env.terminal)
    },
    arrivesAs(sent, program) {
      if (program.host !== 'terminal' || program.extendedKeys === true || !env.terminal) return sent
      return arrivesAs(sent, env.layout, env.terminal)?.chord ?? null
    },
    pointer(trigger, program) {
      const role = pointerRole(trigger, env.devices ?? [], env.controls)
      return role === null ? [] : pointerTakes(trigger, role, program, env.systemId, env.system.name)
    },
    pointerOwned(trigger, program) {
      const role = pointerRole(trigger, env.devices ?? [], env.controls)
      return role === null ? null : pointerOwned(role, heldOf(trigger), program)
    },
    opensPage(trigger) {
      if (trigger.kind !== 'button' || trigger.act !== 'press' || trigger.pageId === undefined)
        return undefined
      const page = pagesOf(env.devices?.find((d) => d.id === trigger.deviceId)).find(
        (p) => p.id === trigger.pageId,
      )
      return page?.opens.find((o) => o.controlId === trigger.controlId)?.pageId
    },
    opensPopup: (trigger, programId) =>
      openers
        .get(triggerKey(trigger))
        ?.find(
          (set) => programId === undefined || set.programId === undefined || set.programId === programId,
        ),
  }
}

/** The chords that reach the system when a trigger is worked: those of its relay, or the key itself. */
export function sentBy(trigger: Trigger, sends?: readonly Chord[]): readonly Chord[] {
  if (sends && sends.length > 0) return sends
  if (trigger.kind === 'sequence') return trigger.chords
  return 'code' in trigger ? [chord(trigger.code, heldOf(trigger))] : []
}
