import { changesBetween } from '../compare/index.js'
import { canBeLiveTogether, type Command, type Program } from '../commands/index.js'
import type { Arrangement, Plan } from '../plan/index.js'
import { triggerKey, type Chord, type Trigger } from '../triggers/index.js'
import type { PreparedModel } from '../model/index.js'

/** Where a step is done: in a program's settings, in those of a device's driver, in a pop-up set, or in the system's. */
export type SetUpPlace =
  | { readonly kind: 'program'; readonly id: string }
  | { readonly kind: 'device'; readonly id: string }
  | { readonly kind: 'popup'; readonly id: string }
  | { readonly kind: 'system' }

/** One thing to change. */
export interface SetUpStep {
  /** the same for the same change, so that it stays ticked off */
  readonly id: string
  readonly place: SetUpPlace
  /** null for a key of the system */
  readonly command: Command | null
  /** what it has now, and what it has afterwards */
  readonly was: readonly Trigger[]
  readonly becomes: readonly Trigger[]
  /** what is taken from it, and what it is given */
  readonly off: readonly Trigger[]
  readonly on: readonly Trigger[]
  /** by the key of a trigger of a device: what its control has to send */
  readonly sends: Readonly<Record<string, readonly Chord[]>>
  /** steps before this one that leave what it takes, by id */
  readonly after: readonly string[]
  /** what the system does with the key that is to be freed; for steps of the system alone */
  readonly systemAction?: string
}

function grouped<T>(list: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>()
  for (const item of list) {
    const there = out.get(keyOf(item))
    if (there) there.push(item)
    else out.set(keyOf(item), [item])
  }
  return out
}

/** A step before it has its place in the order. */
type Draft = Omit<SetUpStep, 'after'>

function placeOf(trigger: Trigger, command: Command): SetUpPlace {
  if (trigger.kind === 'popup') return { kind: 'popup', id: trigger.setId }
  return 'deviceId' in trigger
    ? { kind: 'device', id: trigger.deviceId }
    : { kind: 'program', id: command.programId }
}

const keyOfPlace = (place: SetUpPlace): string =>
  place.kind === 'system' ? 'system' : `${place.kind} ${place.id}`

/**
 * What to change to get from one arrangement to another, by place, in the order of the program's own settings as far as no trigger is ever held
 * by two commands that can be live together. Where commands wait for each other in a circle, the least used one is taken off first and set later.
 */
export function setUpSteps(
  from: Pick<PreparedModel, 'plan' | 'arrangement'>,
  to: Pick<PreparedModel, 'arrangement' | 'index'>,
): SetUpStep[] {
  const { plan } = from
  const drafts = draftsOf(plan, from.arrangement, to.arrangement)
  const byPlace = grouped(drafts, (d) => keyOfPlace(d.place))
  const places = [
    ...plan.programs.map((p) => `program ${p.id}`),
    ...plan.devices.map((d) => `device ${d.id}`),
    ...new Set(drafts.flatMap((d) => (d.place.kind === 'popup' ? [keyOfPlace(d.place)] : []))),
  ]
  return [...systemSteps(to), ...places.flatMap((place) => inSafeOrder(byPlace.get(place) ?? [], plan))]
}

/** Every command with what it is given and what is taken from it, place by place. */
function draftsOf(plan: Plan, from: Arrangement, to: Arrangement): Draft[] {
  const triggersIn = (arrangement: Arrangement, id: string): Trigger[] =>
    arrangement.placements.filter((p) => p.commandId === id).map((p) => p.trigger)
  const drafts = changesBetween(from.placements, to.placements, plan.commands).flatMap((change): Draft[] => {
    const { command } = change
    const all = grouped([...change.from, ...change.to], (t) => keyOfPlace(placeOf(t, command)))
    return [...all].map(([key, triggers]) => {
      const place = placeOf(triggers[0] as Trigger, command)
      const here = (t: Trigger): boolean => keyOfPlace(placeOf(t, command)) === key
      const [off, on] = [change.from.filter(here), change.to.filter(here)]
      return {
        id: stepId(place, command.id, off, on),
        place,
        command,
        was: triggersIn(from, command.id).filter(here),
        becomes: triggersIn(to, command.id).filter(here),
        off,
        on,
        sends: sendsOf(to, command.id, on),
      }
    })
  })
  return [...drafts, ...resentDrafts(plan, from, to)]
}

const stepId = (
  place: SetUpPlace,
  commandId: string,
  off: readonly Trigger[],
  on: readonly Trigger[],
): string =>
  [keyOfPlace(place), commandId, 'off', ...off.map(triggerKey), 'on', ...on.map(triggerKey)].join(' ')

const sendsOf = (
  arrangement: Arrangement,
  commandId: string,
  triggers: readonly Trigger[],
): SetUpStep['sends'] =>
  Object.fromEntries(
    triggers.flatMap((t) => {
      const key = triggerKey(t)
      const sends = arrangement.placements.find(
        (p) => p.commandId === commandId && triggerKey(p.trigger) === key,
      )?.sends
      return sends ? [[key, sends]] : []
    }),
  )

/** Controls that stay with their command and have to send other keys than before. */
function resentDrafts(plan: Plan, from: Arrangement, to: Arrangement): Draft[] {
  const before = new Map(from.placements.map((p) => [`${p.commandId} ${triggerKey(p.trigger)}`, p.sends]))
  const commands = new Map(plan.commands.map((c) => [c.id as string, c]))
  const text = (sends: readonly Chord[] | undefined): string => (sends ?? []).map(triggerKey).join(' ')
  return to.placements.flatMap((p): Draft[] => {
    const key = `${p.commandId} ${triggerKey(p.trigger)}`
    const command = commands.get(p.commandId)
    if (!command || !before.has(key) || text(before.get(key)) === text(p.sends)) return []
    const place = placeOf(p.trigger, command)
    return [
      {
        id: `${keyOfPlace(place)} ${key} sends ${text(p.sends)}`,
        place,
        command,
        was: [p.trigger],
        becomes: [p.trigger],
        off: [],
        on: [],
        sends: { [triggerKey(p.trigger)]: p.sends ?? [] },
      },
    ]
  })
}

/** Keys that the arrangement uses and the system takes: they have to be freed first. */
function systemSteps({ arrangement, index }: Pick<PreparedModel, 'arrangement' | 'index'>): SetUpStep[] {
  const seen = new Set<string>()
  return arrangement.placements.flatMap((p): SetUpStep[] =>
    [p.trigger, ...(p.sends ?? [])].flatMap((trigger): SetUpStep[] => {
      if (trigger.kind !== 'chord') return []
      const key = triggerKey(trigger)
      const action = index.stages.system(trigger)
      if (action === null || seen.has(key)) return []
      seen.add(key)
      return [
        {
          id: `system ${key}`,
          place: { kind: 'system' },
          command: null,
          was: [trigger],
          becomes: [],
          off: [trigger],
          on: [],
          sends: {},
          after: [],
          systemAction: action,
        },
      ]
    }),
  )
}

/** Commands by their menus, then by name: the order of most settings. */
const bySettings = (a: Draft, b: Draft): number => {
  const text = ({ command }: Draft): string =>
    [...(command?.menu ?? ['\uffff']), command?.name ?? ''].join('\u0001')
  return text(a) < text(b) ? -1 : text(a) > text(b) ? 1 : a.id < b.id ? -1 : 1
}

/** Steps of one place so that each takes only what is free by then. */
function inSafeOrder(drafts: readonly Draft[], plan: Plan): SetUpStep[] {
  const programs = new Map(plan.programs.map((p) => [p.id as string, p]))
  let left = [...drafts].sort(bySettings)
  const out: SetUpStep[] = []
  // who has left a trigger already, by its key
  const leftBy = new Map<string, { readonly command: Command; readonly id: string }[]>()
  const done = (draft: Draft): void => {
    const after = draft.on.flatMap((t) =>
      (leftBy.get(triggerKey(t)) ?? [])
        .filter((l) => meets(l.command, draft.command, programs))
        .map((l) => l.id),
    )
    out.push({ ...draft, after: [...new Set(after)] })
    for (const t of draft.off)
      if (draft.command)
        leftBy.set(triggerKey(t), [
          ...(leftBy.get(triggerKey(t)) ?? []),
          { command: draft.command, id: draft.id },
        ])
  }
  while (left.length > 0) {
    const holders = grouped(
      left.flatMap((d) => d.off.map((t) => ({ key: triggerKey(t), draft: d }))),
      (h) => h.key as string,
    )
    const waitsFor = (d: Draft): readonly Draft[] =>
      d.on.flatMap((t) =>
        (holders.get(triggerKey(t)) ?? [])
          .filter((h) => h.draft !== d && meets(h.draft.command, d.command, programs))
          .map((h) => h.draft),
      )
    const ready = left.find((d) => waitsFor(d).length === 0)
    if (ready) {
      done(ready)
      left = left.filter((d) => d !== ready)
      continue
    }
    // a circle: of those that others wait for, the least used gives up its trigger first
    const waitedFor = left.flatMap(waitsFor)
    const first = waitedFor.reduce((least, d) =>
      (d.command?.usesPerHour ?? 0) < (least.command?.usesPerHour ?? 0) ? d : least,
    )
    const stays = first.was.filter((t) => !first.off.some((o) => triggerKey(o) === triggerKey(t)))
    done({ ...first, id: `${first.id} first`, becomes: stays, on: [], sends: {} })
    left = left.map((d) => (d === first ? { ...d, was: stays, off: [] } : d))
  }
  return out
}

function meets(a: Command | null, b: Command | null, programs: ReadonlyMap<string, Program>): boolean {
  if (!a || !b) return false
  const program = programs.get(a.programId)
  return program !== undefined && canBeLiveTogether(a, b, program)
}
