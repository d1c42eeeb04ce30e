import { tapHoldChances } from '../hand/index.js'
import { pagesOf, splitControlRef, type Device, type MissingPart } from '../bench/index.js'
import { liveContexts, type Command, type Program } from '../commands/index.js'
import { sentBy, type Environment, type Typed } from '../model/index.js'
import {
  characterAt,
  codeOfCharacter,
  heldOf,
  keyLegend,
  controlRefOf,
  triggerKey,
  type Chord,
  type Trigger,
} from '../triggers/index.js'
import type { ClashKind } from './clash.js'
import type { Finding, Rule } from './finding.js'
import {
  bootReportWords,
  characterMovesWords,
  coarseDialWords,
  mediaKeySetting,
  mediaKeyWords,
  tapHoldSetting,
  tapHoldWords,
  missingWords,
  noCharacterWords,
  onePressWords,
  placeMovesWords,
  swallowedWords,
  systemTakesWords,
  typingWords,
} from './press-words.js'

const lackKinds: Readonly<Record<MissingPart['kind'], ClashKind>> = {
  key: 'key-missing',
  modifier: 'modifier-missing',
  control: 'control-missing',
  page: 'page-missing',
  direction: 'directions-missing',
  popup: 'popup-missing',
}

/** What stands in for a key of the number block where there is none. Common practice, no source. */
const standIn = (code: string): string | null => {
  const digit = /^Numpad(\d)$/.exec(code)
  if (digit) return `Digit${digit[1]}`
  return { NumpadEnter: 'Enter', NumpadDecimal: 'Period', NumpadDivide: 'Slash' }[code] ?? null
}

/** The bench has no such key or control. */
export const missing: Rule = ({ trigger, program, commands }, { stages, env, group, isSent }) => {
  const lacks = stages.device(trigger)
  const [first] = lacks
  if (!first) return []
  // a key that no board has is a good name for what a control sends
  if (trigger.kind === 'chord' && isSent(program.id, triggerKey(trigger))) return []
  const instead = first.kind === 'key' ? standIn(first.id) : null
  const stand: Trigger | null =
    instead !== null && trigger.kind === 'chord' ? { ...trigger, code: instead } : null
  const taken = stand && group(program.id, triggerKey(stand))
  return [
    {
      kind: lackKinds[first.kind],
      severity: 'blocks',
      stage: 'device',
      ...missingWords(lacks, env, stand && { trigger: stand, commands: taken?.commands }),
      evidence: 'plan',
      commands,
    },
  ]
}

const deviceOf = (env: Environment, id: string): Device | undefined => env.devices?.find((d) => d.id === id)

/** Whether a board's F1 to F12 send media keys as its firmware is set. */
const sendsMedia = (device: Device | undefined): boolean =>
  device !== undefined &&
  (device.functionKeys ??
    (device.kind === 'board' && device.board.startsWith('laptop') ? 'media' : 'plain')) === 'media'

export const mediaKeys: Rule = ({ trigger, commands }, { env }) => {
  if (!('code' in trigger) || !/^F([1-9]|1[0-2])$/.test(trigger.code)) return []
  const boards = env.controls
    .filter((c) => c.code === trigger.code && c.id.includes('/'))
    .map((c) => deviceOf(env, splitControlRef(c.id).deviceId))
  if (boards.length === 0 || !boards.every(sendsMedia)) return []
  return [
    {
      kind: 'media-key',
      severity: 'caution',
      stage: 'device',
      ...mediaKeyWords(trigger.code, boards[0]?.name ?? ''),
      evidence: 'from memory',
      setting: mediaKeySetting,
      commands,
    },
  ]
}

/** A key that holds a modifier, or opens a layer, when it is held: a command on its tap waits, and is sometimes misread. */
export const tapHoldKeys: Rule = ({ trigger, commands }, { env }) => {
  if (trigger.kind !== 'chord' && trigger.kind !== 'button') return []
  const ref = controlRefOf(trigger)
  const ids = new Set(env.controls.filter((c) => c.code === ref || c.id === ref).map((c) => c.id))
  const held = [
    ...(env.tapHolds ?? []).map((t) => ({ id: t.controlId, waitMs: t.waitMs, does: `holds ${t.holds}` })),
    ...(env.layered ?? []).flatMap((l) =>
      l.how === 'tap-and-hold' ? [{ id: l.openerId, waitMs: l.waitMs, does: `opens “${l.layerName}”` }] : [],
    ),
  ].find((t) => ids.has(t.id))
  if (!held) return []
  return [
    {
      kind: 'tap-hold-key',
      severity: 'caution',
      stage: 'device',
      ...tapHoldWords(trigger, env, held.does, held.waitMs, tapHoldChances(held.waitMs)),
      evidence: 'model',
      setting: tapHoldSetting,
      commands,
    },
  ]
}

/** The boot report of a USB keyboard has room for six keys beside the modifiers: HID 1.11, appendix B. */
export const bootReportKeys = 6

export const bootReport: Rule = ({ trigger, relays }, { env }) => {
  if (!('act' in trigger) || trigger.act !== 'during') return []
  return relays.flatMap(({ command, sends }): Finding[] => {
    const keys = new Set(sends.map((s) => s.code))
    if (keys.size <= bootReportKeys) return []
    return [
      {
        kind: 'boot-report',
        severity: 'blocks',
        stage: 'device',
        ...bootReportWords(trigger, env, command, keys.size, bootReportKeys),
        evidence: 'catalogue',
        commands: [command],
      },
    ]
  })
}

/** Forms of devices that tell one press at a time. Common practice, no source. */
const onePressForms: readonly string[] = ['deck', 'pen']

export const pairs: Rule = ({ trigger, commands }, { env }) => {
  if (trigger.kind !== 'button' || trigger.withId === undefined) return []
  const device = deviceOf(env, trigger.deviceId)
  if (device?.kind !== 'drawn' || !onePressForms.includes(device.form)) return []
  return [
    {
      kind: 'pair-unreported',
      severity: 'blocks',
      stage: 'device',
      ...onePressWords(trigger, env, device),
      evidence: 'from memory',
      commands,
    },
  ]
}

/** Fewer steps than this in a turn are too coarse for a value that is set by them. Assumed. */
const leastSteps = 16

export const coarseDial: Rule = ({ trigger, commands }, { env }) => {
  if (trigger.kind !== 'turn') return []
  const control = env.controls.find((c) => c.id === `${trigger.deviceId}/${trigger.controlId}`)
  const stepped = commands.filter((c) => c.kind === 'stepped')
  const steps = control?.stepsPerTurn
  if (steps === undefined || steps >= leastSteps || stepped.length === 0) return []
  return [
    {
      kind: 'coarse-dial',
      severity: 'caution',
      stage: 'device',
      ...coarseDialWords(trigger, env, steps, stepped[0], leastSteps),
      evidence: 'model',
      commands: stepped,
    },
  ]
}

/** What the system does with the keys that are sent; what was pressed on the machine counts more than any list. */
export const system: Rule = ({ trigger, commands, relays }, { stages, env }) => {
  if (stages.device(trigger).length > 0) return []
  const pressed = stages.pressed(trigger) ?? trigger
  // what a relay sends is judged with the relay, command by command
  const all = sentBy(pressed)
  const isStopped = (c: Chord): boolean =>
    stages.systemTake(c) !== null || env.probes?.get(triggerKey(c)) === 'swallowed'
  const sent = all.find(isStopped) ?? all[0]
  if (!sent) return []
  const own = commands.filter((c) => !relays.some((r) => r.command.id === c.id))
  const concerned = own.length > 0 ? own : commands
  const worked = 'act' in pressed && 'code' in pressed ? pressed : sent
  const take = stages.systemTake(worked) ?? (worked === sent ? null : stages.systemTake(sent))
  const probe = env.probes?.get(triggerKey(sent))
  if (!take) {
    if (probe !== 'swallowed') return []
    return [
      {
        kind: 'probe-swallowed',
        severity: 'blocks',
        stage: 'system',
        ...swallowedWords(worked, env),
        evidence: 'probe',
        commands: concerned,
      },
    ]
  }
  if (probe === 'arrives') return []
  const kind = take.isRepeated ? (take.isRepeated === 'tap5' ? 'sticky-keys' : 'slow-keys') : 'system-takes'
  const setting = settingText(take.setting, env)
  return [
    {
      kind,
      severity: 'blocks',
      stage: 'system',
      ...systemTakesWords(worked, env, take.action),
      evidence: probe === 'swallowed' ? 'probe' : take.isOwn ? 'own settings' : evidenceOf(env),
      ...(setting !== null && { setting }),
      commands: concerned,
    },
  ]
}

const evidenceOf = (env: Environment): Finding['evidence'] =>
  env.system.source.toLowerCase().startsWith('from memory') ? 'from memory' : 'catalogue'

/** The exact setting that turns a system's key off; GNOME's are named by schema and key. */
function settingText(setting: string | null, env: Environment): string | null {
  if (setting === null) return null
  if (env.systemId !== 'gnome') return setting
  const at = setting.lastIndexOf('.')
  const [schema, key] = [setting.slice(0, at), setting.slice(at + 1)]
  return key === 'overlay-key' ? `gsettings set ${schema} ${key} ""` : `gsettings set ${schema} ${key} "[]"`
}

/** Names of the contexts in which a command is live and text can be typed. */
export const typingContexts = (command: Command, program: Program): string[] =>
  program.contexts.filter((c) => c.typing && liveContexts(command, program).includes(c.id)).map((c) => c.name)

function typingKind(typed: Typed, sent: Chord): ClashKind {
  if (typed.kind === 'edit') return 'edits-text'
  if (typed.kind === 'accent') return 'types-accent'
  const held = heldOf(sent)
  if (held.includes('Control') && held.includes('Alt')) return 'types-control-alt'
  if (held.includes('AltGraph')) return 'types-third-level'
  return held.includes('Shift') &&
    typed.kind === 'character' &&
    typed.character !== typed.character.toLowerCase()
    ? 'types-capital'
    : 'types-character'
}

/** “Paste” on the key that pastes. */
const isActionItself = (command: Command, typed: Typed): boolean =>
  typed.kind === 'edit' && typed.does !== undefined && command.name.trim().toLowerCase() === typed.does

export const typing: Rule = ({ trigger, program, commands }, { stages, env }) => {
  if (stages.device(trigger).length > 0) return []
  const [sent] = sentBy(stages.pressed(trigger) ?? trigger)
  const typed = sent && stages.input(sent)
  if (!sent || !typed || stages.systemTake(sent)) return []
  // a chord that a stage before takes never comes to the text field, and the action itself is no clash with itself
  if (stages.inputMethod(sent)?.severity === 'blocks') return []
  if (stages.host(sent, program).some((take) => take.severity === 'blocks')) return []
  const inText = commands.filter((c) => typingContexts(c, program).length > 0 && !isActionItself(c, typed))
  if (inText.length === 0) return []
  const where = [...new Set(inText.flatMap((c) => typingContexts(c, program)))]
  const kind = typingKind(typed, sent)
  return [
    {
      kind,
      severity: program.restsWhileTyping === true && typed.kind !== 'edit' ? 'caution' : 'shadows',
      stage: 'typing',
      ...typingWords(kind, sent, env, typed, program, where),
      evidence: typed.kind === 'unknown' ? 'from memory' : 'catalogue',
      commands: inText,
    },
  ]
}

/** A program that binds characters needs a key that types one by itself. */
export const characters: Rule = ({ trigger, program, commands }, { env, stages }) => {
  if (!('code' in trigger) || stages.device(trigger).length > 0) return []
  const { layout, otherLayout } = env
  const here = characterAt(layout, trigger.code, 1)
  if (program.binds === 'characters' && here?.startsWith('dead:') === true) {
    return [
      {
        kind: 'no-character',
        severity: 'blocks',
        stage: 'typing',
        ...noCharacterWords(trigger, env, program, here),
        evidence: 'catalogue',
        commands,
      },
    ]
  }
  if (!otherLayout || here === null) return []
  const there = characterAt(otherLayout, trigger.code, 1)
  if (there === here) return []
  const moved = codeOfCharacter(otherLayout, here)
  const movedTo = moved === null ? null : keyLegend(moved, layout, env.systemId)
  return [
    {
      kind: 'character-moves',
      severity: 'caution',
      stage: 'typing',
      ...(program.binds === 'characters'
        ? characterMovesWords(program, here, otherLayout.name, movedTo)
        : placeMovesWords(trigger, env, program, here, otherLayout.name, there)),
      evidence: 'catalogue',
      commands,
    },
  ]
}

/** Whether a page of a device is up only while its program is in front. */
export const pageProgram = (trigger: Trigger, env: Environment): string | undefined =>
  'pageId' in trigger && trigger.pageId !== undefined
    ? pagesOf(deviceOf(env, trigger.deviceId)).find((p) => p.id === trigger.pageId)?.programId
    : undefined

export const pressRules: readonly Rule[] = [
  missing,
  mediaKeys,
  tapHoldKeys,
  bootReport,
  pairs,
  coarseDial,
  system,
  typing,
  characters,
]
