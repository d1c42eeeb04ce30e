import {
  activeArrangement,
  copyArrangement,
  applyRemedy,
  checkArrangement,
  placeChain,
  placeCommand,
  placeRefusal,
  prepare,
  readTrigger,
  refusalInWords,
  refusalOf,
  removePlacement,
  toggleRule,
  triggerKey,
  triggerName,
  writePlan,
  type Command,
  type Environment,
  type Plan,
  type Refusal,
  type Trigger,
} from '@reach-plot/core'
import { catalogues, loadPlan, usageError, writeOut } from '../io.js'
import { commandOf } from '../loaded-plan.js'
import { defineVerb, flag, numberOr, text } from '../verb.js'

/** Changes the arrangement in front of a plan file, with the refusals that the app has. Defaults are copied first. */
export const verb = defineVerb({
  name: 'edit',
  summary: 'places, removes or locks a command, and writes the plan',
  files: 'PLAN.json',
  options: {
    place: text('ID-OR-NAME', 'the command to place; with --on'),
    on: text('Control+KeyS', 'where it goes'),
    then: text(
      'ID,ID,…',
      'commands that the same press runs after it, in order; with --place on a control of a device',
    ),
    wait: numberOr(0, 0, 5000, 'ms that the control waits between two of them'),
    asWell: flag('beside the triggers that it has, not in their stead'),
    remove: text('ID-OR-NAME', 'the command to take off its keys'),
    from: text('Control+KeyS', 'only this trigger, with --remove'),
    lock: text('ID-OR-NAME', 'the command to lock, or to unlock where it is locked'),
    mend: text('CLASH-ID', 'the clash to mend, as check --json names it'),
    by: numberOr(1, 1, 50, 'which of its remedies, counted from 1'),
    out: text('NEW.json', 'the plan file to write'),
  },
  run({ files, options }) {
    const given = loadPlan(files[0])
    const { out, place, remove, lock, mend } = options
    if (out === undefined) throw usageError('--out is missing', 'name the plan file to write')
    if ([place, remove, lock, mend].filter((x) => x !== undefined).length !== 1)
      throw usageError('one change at a time', 'give one of --place, --remove, --lock and --mend')
    const plan = lock === undefined ? editable(given) : given
    const change =
      place !== undefined
        ? options.then === undefined
          ? placed(plan, place, options.on, options.asWell)
          : chained(plan, [place, ...options.then.split(',')], options.on, options.wait)
        : remove !== undefined
          ? removed(plan, remove, options.from)
          : mend !== undefined
            ? mended(plan, mend, options.by)
            : locked(plan, lock as string)
    writeOut(out, writePlan(change.plan))
    const { name, id } = activeArrangement(change.plan)
    return {
      value: { out, arrangement: id, ...change.value },
      text: [
        `${out}: ${change.text}`,
        ...(plan === given ? [] : [`“${name}” is a copy; the defaults stay as they were`]),
      ].join('\n'),
    }
  },
})

interface Change {
  readonly plan: Plan
  readonly value: Readonly<Record<string, unknown>>
  readonly text: string
}

/** The plan, or one with a copy in front where an arrangement of defaults is. */
const editable = (plan: Plan): Plan => {
  const { id, isDefault } = activeArrangement(plan)
  return isDefault ? copyArrangement(plan, id).plan : plan
}

function placed(plan: Plan, wanted: string, on: string | undefined, asWell: boolean): Change {
  if (on === undefined) throw usageError('--on is missing', 'say where the command goes')
  const { env } = prepare(plan, catalogues)
  const command = commandOf(plan, wanted, 'place')
  const trigger = triggerOf(on, env)
  const edit = { commandId: command.id, trigger, ...(asWell && { keepOld: true }) }
  refuse(plan, placeRefusal(plan, edit))
  return {
    plan: placeCommand(plan, edit),
    value: { command: command.id, placed: triggerKey(trigger) },
    text: `“${command.name}” is on ${triggerName(trigger, env)}`,
  }
}

/** One press of a control for several commands in order. */
function chained(plan: Plan, wanted: readonly string[], on: string | undefined, waitMs: number): Change {
  if (on === undefined) throw usageError('--on is missing', 'say which control runs the commands')
  const { env } = prepare(plan, catalogues)
  const commands = wanted.map((name) => commandOf(plan, name.trim(), 'place'))
  const trigger = triggerOf(on, env)
  const commandIds = commands.map((c) => c.id)
  return {
    plan: placeChain(plan, { commandIds, trigger, waitMs }),
    value: { commands: commandIds, placed: triggerKey(trigger) },
    text: `${triggerName(trigger, env)} runs ${commands.map((c) => `“${c.name}”`).join(', then ')}`,
  }
}

function removed(plan: Plan, wanted: string, from: string | undefined): Change {
  const { env, index } = prepare(plan, catalogues)
  const command = commandOf(plan, wanted, 'remove')
  const trigger = from === undefined ? undefined : triggerOf(from, env)
  const before = index.triggers.get(command.id) ?? []
  const taken = trigger === undefined ? before : before.filter((t) => triggerKey(t) === triggerKey(trigger))
  if (taken.length === 0)
    throw usageError(
      `“${command.name}” is not on ${trigger === undefined ? 'any key' : triggerName(trigger, env)}`,
      before.length > 0 ? `it is on ${before.map(triggerKey).join(', ')}` : 'nothing has to be removed',
    )
  refuse(plan, refusalOf(plan, [command.id], taken))
  return {
    plan: removePlacement(plan, command.id, trigger),
    value: { command: command.id, removed: taken.map(triggerKey) },
    text: `“${command.name}” is off ${taken.map((t) => triggerName(t, env)).join(', ')}`,
  }
}

/** The plan after a remedy of a clash. */
function mended(plan: Plan, clashId: string, by: number): Change {
  const found = checkArrangement(prepare(plan, catalogues)).find((c) => c.clash.id === clashId)
  if (!found) throw usageError(`there is no clash "${clashId.slice(0, 80)}"`, 'take an id from check --json')
  const remedy = found.remedies[Math.round(by) - 1]
  if (!remedy)
    throw usageError(
      `it has ${found.remedies.length} remedies`,
      found.remedies.map((r, i) => `${i + 1}: ${r.text}`).join('; ') || 'move its commands by hand',
    )
  return {
    plan: applyRemedy(plan, remedy),
    value: { clash: clashId, remedy: remedy.kind },
    text: remedy.text,
  }
}

function locked(plan: Plan, wanted: string): Change {
  const command: Command = commandOf(plan, wanted, 'lock')
  const next = toggleRule(plan, 'lockedCommandIds', command.id)
  const isLocked = next.rules.lockedCommandIds.includes(command.id)
  return {
    plan: next,
    value: { command: command.id, locked: isLocked },
    text: `“${command.name}” is ${isLocked ? 'locked' : 'unlocked'}`,
  }
}

const triggerOf = (given: string, env: Environment): Trigger =>
  readTrigger(
    given,
    env,
    env.controls.flatMap((c) => c.code ?? []),
  )

function refuse(plan: Plan, refusal: Refusal | null): void {
  if (refusal)
    throw usageError(
      refusalInWords(plan, refusal).replace(/\.[^.]*\.$/, ''),
      'unlock it first, or choose another place',
    )
}
