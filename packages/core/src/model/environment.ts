import {
  benchControls,
  heldModifiers,
  layeredKeys,
  type HeldModifier,
  type LayeredKey,
  deviceLegends,
  handOnBench,
  type Bench,
  type BenchControl,
  type Control,
  type Device,
  type HandSide,
} from '../bench/index.js'
import type { Command, Program, Rules } from '../commands/index.js'
import { CoreError } from '../errors.js'
import { handModel } from '../hand/index.js'
import {
  browserChords,
  standardChords,
  inputMethodOf,
  textActions,
  type BrowserKey,
  type InputMethod,
  type StandardAction,
  type TerminalKeys,
} from '../hosts/index.js'
import type { Memory } from '../mnemonics/index.js'
import {
  activeArrangement,
  activeBench,
  dayHours,
  type Arrangement,
  type MenuKnowledge,
  type OwnSlips,
  type Plan,
} from '../plan/index.js'
import type { OwnSystemKeys, SystemKeys } from '../systems/index.js'
import {
  keyWords,
  triggerKey,
  type Chord,
  type KeyNames,
  type KeyWordData,
  type KeyWords,
  type Naming,
  type NationalLayout,
  type PopupSet,
  type SystemId,
  type TriggerKey,
} from '../triggers/index.js'
import { groupKey, type GroupKey } from './group-key.js'

/** What stands around an arrangement: programs, commands, the system, the layout and the keys that are there. */
export interface Environment extends Naming {
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
  readonly systemId: SystemId
  readonly system: SystemKeys
  readonly layout: NationalLayout
  /** chords that layers of the devices' firmware send; none where left out */
  readonly layered?: readonly LayeredKey[]
  /** controls that hold a modifier when they are held; none where left out */
  readonly tapHolds?: readonly HeldModifier[]
  /** controls on the bench */
  readonly controls: readonly Control[]
  /** all devices of the plan, for their pages */
  readonly devices?: readonly Device[]
  /** triggers that stay empty for a while; none where left out */
  readonly leftEmpty?: ReadonlySet<TriggerKey>
  /** chances of slips that practice has measured; what is assumed where left out */
  readonly slips?: OwnSlips
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
  /** chords (trigger keys) that a browser has functions for */
  readonly browserKeys?: ReadonlyMap<TriggerKey, BrowserKey>
  /** what terminals send */
  readonly terminal?: TerminalKeys
  /** keys of the standard actions, by the action's name, the usual one first */
  readonly standards?: ReadonlyMap<string, readonly Chord[]>
  /** active hours of a day, for what depends on how often a command is used */
  readonly hoursPerDay?: number
  /** uses by context, by command id, where a log has told them */
  readonly contextUses?: ReadonlyMap<string, Readonly<Record<string, number>>>
  /** share of a command's uses that a log shows through the menu although it had a key, by command id; 0 to 1 */
  readonly menuShares?: ReadonlyMap<string, number>
  /** how well menus are known; usual where left out */
  readonly menusKnown?: MenuKnowledge | undefined
  /** chords (trigger keys) that edit text or move in it, with what they do */
  readonly textActions?: ReadonlyMap<TriggerKey, string>
  /** what stands between the system and programs */
  readonly inputMethod?: InputMethod
  /** chords that were pressed on this machine */
  readonly probes?: ReadonlyMap<TriggerKey, 'arrives' | 'swallowed'>
  /** commands of the programs' defaults */
  readonly defaults?: ReadonlyMap<GroupKey, readonly Command[]>
}

/** Reference data that a plan's ids point into. */
export interface Catalogues {
  readonly layouts: readonly NationalLayout[]
  readonly systems: readonly SystemKeys[]
  /** combinations of a browser; none where left out */
  readonly browserKeys?: readonly BrowserKey[]
  /** what terminals send; programs in a terminal are not judged where left out */
  readonly terminal?: TerminalKeys
  /** the table of standard shortcuts; only characters edit text where left out */
  readonly standardKeys?: readonly StandardAction[]
  /** input methods by id; none where left out */
  readonly inputMethods?: readonly SystemKeys[]
  /** words for keys by language; English ones where left out */
  readonly keyWords?: KeyWordData
  /** names of keys and characters in configuration files; none where left out */
  readonly keyNames?: KeyNames
}

const pick = <T extends { readonly id: string }>(list: readonly T[], id: string, what: string): T => {
  const found = list.find((item) => item.id === id)
  if (found) return found
  throw new CoreError('REFERENCE_UNKNOWN', {
    where: [what],
    what: `there is no ${what} "${id.slice(0, 40)}"`,
    remedy: `choose one of ${list.map((item) => item.id).join(', ')}`,
  })
}

/** The national layout of a plan; an unknown one is an error of the catalogue. */
export const layoutOf = (plan: Pick<Plan, 'layoutId'>, catalogues: Catalogues): NationalLayout =>
  pick(catalogues.layouts, plan.layoutId, 'layout')

/** Surroundings whose controls lie at their places on the desk. */
export interface BenchEnvironment extends Environment {
  readonly controls: readonly BenchControl[]
  readonly devices: readonly Device[]
}

/**
 * What stands around an arrangement: commands, system, layout and the keys on the bench.
 * @throws CoreError `REFERENCE_UNKNOWN` when the plan names a layout or system that the catalogues lack
 */
export function environmentOf(
  plan: Plan,
  catalogues: Catalogues,
  { popups, leftEmpty = [] }: Pick<Arrangement, 'popups' | 'leftEmpty'> = activeArrangement(plan),
  bench: Bench = activeBench(plan),
): BenchEnvironment {
  const layout = layoutOf(plan, catalogues)
  return {
    devices: plan.devices,
    popups,
    ...(leftEmpty.length > 0 && { leftEmpty: new Set(leftEmpty.map((e) => triggerKey(e.trigger))) }),
    legends: new Map([
      ...deviceLegends(plan.devices),
      ...plan.devices.map((d) => [`device/${d.id}`, d.name] as const),
      ...popups.map((s) => [`popup/${s.id}`, s.name] as const),
    ]),
    programs: plan.programs,
    commands: plan.commands,
    systemId: plan.system,
    system: pick(catalogues.systems, plan.system, 'system'),
    layout,
    controls: benchControls(bench, plan.devices),
    layered: layeredKeys(bench, plan.devices),
    tapHolds: heldModifiers(bench, plan.devices),
    rules: plan.rules,
    memory: plan.memory,
    ...(plan.otherLayoutId !== null && {
      otherLayout: pick(catalogues.layouts, plan.otherLayoutId, 'other layout'),
    }),
    ...(plan.ownSystemKeys[plan.system] && { ownKeys: plan.ownSystemKeys[plan.system] }),
    browserKeys: browserChords(catalogues.browserKeys ?? [], layout, plan.system),
    ...(catalogues.terminal && { terminal: catalogues.terminal }),
    standards: new Map(
      standardChords(catalogues.standardKeys ?? [], layout, plan.system)
        .filter(({ chords }) => chords.length > 0)
        .map(({ action, chords }) => [action, chords] as const),
    ),
    hoursPerDay: dayHours(plan).hours,
    contextUses: new Map(
      Object.entries(plan.usage?.commands ?? {}).flatMap(([id, { byContext }]) =>
        byContext ? [[id, byContext] as const] : [],
      ),
    ),
    menuShares: menuSharesOf(plan),
    menusKnown: plan.menusKnown,
    ...(plan.own?.slips && { slips: plan.own.slips }),
    textActions: textActions(catalogues.standardKeys ?? [], layout, plan.system),
    inputMethod: inputMethodOf(
      catalogues.inputMethods?.find((m) => m.id === plan.inputMethod),
      plan.composeCode,
      layout,
    ),
    keyWords: keyWordsOf(catalogues.keyWords, catalogues.keyNames),
    probes: new Map(
      (bench.probes ?? [])
        .filter((p) => p.system === plan.system)
        .map((p) => [p.chord as TriggerKey, p.result] as const),
    ),
    defaults: defaultsOf(plan),
    ...(bench.hands[0] && { handSide: bench.hands[0].side }),
  }
}

/** Words of a catalogue, put in order once. */
const wordsByData = new WeakMap<KeyWordData, KeyWords>()
function keyWordsOf(data: KeyWordData = noWords, names?: KeyNames): KeyWords {
  const known = wordsByData.get(data)
  if (known) return known
  const words = keyWords(data, names)
  wordsByData.set(data, words)
  return words
}
const noWords: KeyWordData = {}

/** Commands that the log shows in the menu although they had a key: by what is set now, else by the defaults. */
function menuSharesOf(plan: Plan): ReadonlyMap<string, number> {
  const set = plan.arrangements.filter((a) =>
    plan.setNowArrangementId === null ? a.isDefault : a.id === plan.setNowArrangementId,
  )
  const hadKey = new Set(set.flatMap((a) => a.placements.map((p) => p.commandId as string)))
  return new Map(
    Object.entries(plan.usage?.commands ?? {}).flatMap(([id, { uses, byMenu }]) =>
      hadKey.has(id) && byMenu > 0 ? [[id, byMenu / uses] as const] : [],
    ),
  )
}

function defaultsOf(plan: Plan): ReadonlyMap<GroupKey, readonly Command[]> {
  const commands = new Map(plan.commands.map((c) => [c.id, c]))
  const out = new Map<GroupKey, Command[]>()
  for (const { placements } of plan.arrangements.filter((a) => a.isDefault))
    for (const { commandId, trigger } of placements) {
      const command = commands.get(commandId)
      if (!command) continue
      const key = groupKey(command.programId, triggerKey(trigger))
      out.set(key, [...(out.get(key) ?? []), command])
    }
  return out
}

/**
 * Whether a plan can be worked with: its layout and system are in the catalogues and every fingertip has its control.
 * @throws CoreError `REFERENCE_UNKNOWN`, `REST_MISSING`, `DEVICE_MISSING`
 */
export function checkPlanOpens(plan: Plan, catalogues: Catalogues): void {
  environmentOf(plan, catalogues)
  for (const bench of plan.benches)
    for (const hand of bench.hands) handModel(handOnBench(hand), benchControls(bench, plan.devices))
}
