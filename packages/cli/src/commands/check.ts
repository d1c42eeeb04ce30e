import {
  activeArrangement,
  checkArrangement,
  severities,
  surroundings,
  systemIds,
  triggerKey,
  type Plan,
} from '@reach-plot/core'
import { layouts } from '@reach-plot/data'
import { catalogues, loadPlan, usageError, type Outcome } from '../io.js'
import { choice, readOptions } from '../options.js'

export const help = 'check PLAN.json [--system windows|macos|gnome] [--layout de] [--arrangement ID]'

/** All clashes of an arrangement, with remedies. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['system', 'layout', 'arrangement'])
  const given = loadPlan(files[0])
  const plan: Plan = {
    ...given,
    system: choice('system', options['system'], systemIds, given.system),
    layoutId: choice(
      'layout',
      options['layout'],
      layouts.map((l) => l.id),
      given.layoutId,
    ),
  }
  const arrangement =
    options['arrangement'] === undefined
      ? activeArrangement(plan)
      : plan.arrangements.find((a) => a.id === options['arrangement'])
  if (!arrangement)
    throw usageError(
      `there is no arrangement "${options['arrangement']}"`,
      `choose one of ${plan.arrangements.map((a) => a.id).join(', ')}`,
    )
  const name = (id: string): string => plan.commands.find((c) => c.id === id)?.name ?? id
  const clashes = checkArrangement(plan, arrangement, surroundings(plan, catalogues)).map(
    ({ clash, remedies }) => ({
      severity: clash.severity,
      layer: clash.layer,
      trigger: triggerKey(clash.trigger),
      commands: clash.commandIds.map(name),
      message: clash.message,
      remedies: remedies.map((r) => ({
        kind: r.kind,
        command: name(r.commandId),
        ...(r.to && { to: triggerKey(r.to) }),
        text: r.text,
      })),
    }),
  )
  const counts = Object.fromEntries(
    severities.map((s) => [s, clashes.filter((c) => c.severity === s).length]),
  )
  const lines = clashes.map((c) => `${c.severity.padEnd(9)} ${c.trigger.padEnd(24)} ${c.message}`)
  return {
    value: { arrangement: arrangement.id, clashes, counts },
    text: [`${arrangement.name}: ${clashes.length} clashes`, ...lines].join('\n'),
    findings: clashes.length > 0,
  }
}
