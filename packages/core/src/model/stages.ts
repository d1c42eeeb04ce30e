import {
  lacking,
  offerOf,
  pagesOf,
  type BenchOffer,
  type Control,
  type Device,
  type HandSide,
  type Lack,
} from '../bench/index.js'
import type { Command, Program, Rules } from '../commands/index.js'
import type { Memory } from '../mnemonics/index.js'
import { systemTakes, type OwnSystemKeys, type SystemKeys, type SystemTake } from '../systems/index.js'
import {
  actOf,
  chord,
  heldOf,
  modifierName,
  triggerKey,
  type Chord,
  type Naming,
  type NationalLayout,
  type PopupSet,
  type SystemId,
  type Trigger,
} from '../triggers/index.js'
import { typedBy, type Typed } from './typing.js'

/** What stands around an arrangement: programs, commands, the system, the layout and the keys that are there. */
export interface Surroundings extends Naming {
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
  readonly systemId: SystemId
  readonly system: SystemKeys
  readonly layout: NationalLayout
  /** controls on the bench */
  readonly controls: readonly Control[]
  /** all devices of the plan, for their pages */
  readonly devices?: readonly Device[]
  /** pop-up sets of the arrangement */
  readonly popups?: readonly PopupSet[]
  /** what the person wants left alone */
  readonly rules?: Rules
  /** what the person says about names */
  readonly memory?: Memory
  /** the hand on the keys; a left one where left out */
  readonly handSide?: HandSide
  /** another national layout that the person switches to */
  readonly otherLayout?: NationalLayout
  /** the person's own settings of the system's keys */
  readonly ownKeys?: OwnSystemKeys[string]
  /** chords (trigger keys) that a browser keeps */
  readonly browserKeys?: ReadonlySet<string>
  /** chords that were pressed on this machine */
  readonly probes?: ReadonlyMap<string, 'arrives' | 'swallowed'>
  /** commands of the programs' defaults by `program trigger` */
  readonly defaults?: ReadonlyMap<string, readonly Command[]>
}

export interface Placed {
  readonly commandId: string
  readonly trigger: Trigger
  readonly sends?: readonly Chord[] | undefined
}

/** The layers that a press passes before the program has it, each asked in one place by the check and by the trace. */
export interface PressLayers {
  /** what the bench lacks for the trigger */
  device(trigger: Trigger): readonly Lack[]
  /** what the system does with a chord, when it takes it; a probe that arrived clears it */
  system(sent: Chord): string | null
  /** the same as the catalogues and settings have it, for a key that is held or tapped too */
  systemTake(worked: Trigger): (SystemTake & { readonly isRepeated: 'tap5' | 'hold' | null }) | null
  /** what a chord does to text where text can be typed */
  input(sent: Chord): Typed | null
  /** the page that a control opens instead of carrying a command; null goes back; undefined when it opens none */
  opensPage(trigger: Trigger): string | null | undefined
  /** the pop-up set that the trigger brings up */
  opensPopup(trigger: Trigger): PopupSet | undefined
}

export function pressLayers(around: Surroundings): PressLayers {
  const offer: BenchOffer = offerOf(around.controls, around.devices ?? [])
  const taken = systemTakes(around.system, around.layout, around.ownKeys)
  const popups = around.popups ?? []
  const openers = new Map(popups.map((set) => [triggerKey(set.opener), set]))
  return {
    device: (trigger) =>
      lacking(
        trigger,
        offer,
        around.layout.altGraph,
        (id) => popups.find((set) => set.id === id)?.opener ?? null,
      ),
    system(sent) {
      const key = triggerKey(sent)
      if (around.probes?.get(key) === 'arrives') return null
      const take = taken.get(key)
      if (take) return take.action
      return around.probes?.get(key) === 'swallowed' ? 'it never arrived when it was pressed here' : null
    },
    systemTake(worked) {
      const take = taken.get(triggerKey(worked))
      const act = actOf(worked)
      return take ? { ...take, isRepeated: act === 'tap5' || act === 'hold' ? act : null } : null
    },
    input: (sent) => typedBy(sent, around.layout, around.systemId),
    opensPage(trigger) {
      if (trigger.kind !== 'button' || trigger.act !== 'press' || trigger.pageId === undefined)
        return undefined
      const page = pagesOf(around.devices?.find((d) => d.id === trigger.deviceId)).find(
        (p) => p.id === trigger.pageId,
      )
      return page?.opens.find((o) => o.controlId === trigger.controlId)?.pageId
    },
    opensPopup: (trigger) => openers.get(triggerKey(trigger)),
  }
}

/** The chords that reach the system when a trigger is worked: those of its relay, or the key itself. */
export function sentBy(trigger: Trigger, sends?: readonly Chord[]): readonly Chord[] {
  if (sends && sends.length > 0) return sends
  return 'code' in trigger ? [chord(trigger.code, heldOf(trigger))] : []
}

/** What is lacking, in words: `the key F13`, `the page Sheets`. */
export function lackInWords(lack: Lack, around: Surroundings): string {
  const legend = around.legends?.get(lack.id) ?? lack.id
  switch (lack.kind) {
    case 'modifier':
      return `the key ${modifierName(lack.id, around.systemId)}`
    case 'key':
      return `the key ${lack.id}`
    case 'control':
      return `the control ${legend}`
    case 'page':
      return `the page ${legend}`
    case 'popup':
      return `the pop-up set ${legend}`
    case 'direction':
      return `strokes in that many directions on ${legend}`
  }
}
