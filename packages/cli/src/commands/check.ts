import {
  activeArrangement,
  causesOf,
  readGnomeDump,
  checkArrangement,
  severities,
  surroundings,
  systemIds,
  triggerKey,
  type Plan,
  type Severity,
} from '@reach-plot/core'
import { layouts } from '@reach-plot/data'
import { catalogues, loadPlan, readTextFile, usageError, type Outcome } from '../io.js'
import { choice, readOptions } from '../options.js'

export const help =
  'check PLAN.json [--system windows|macos|gnome] [--layout de] [--arrangement ID] [--own-keys GSETTINGS.txt] [--fail-on blocks|shadows|ambiguous|caution] [--format list|causes|lines]'

/** All clashes of an arrangement, with remedies. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, [
    'system',
    'layout',
    'arrangement',
    'own-keys',
    'fail-on',
    'format',
  ])
  const given = loadPlan(files[0])
  const chosen: Plan = {
    ...given,
    system: choice('system', options['system'], systemIds, given.system),
    layoutId: choice(
      'layout',
      options['layout'],
      layouts.map((l) => l.id),
      given.layoutId,
    ),
  }
  const plan = withOwnKeys(chosen, options['own-keys'])
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
  const failOn = choice('fail-on', options['fail-on'], severities, 'caution')
  const format = choice('format', options['format'], ['list', 'causes', 'lines'], 'list')
  const found = checkArrangement(plan, arrangement, surroundings(plan, catalogues, arrangement))
  const clashes = found.map(({ clash, remedies, accepted }) => ({
    kind: clash.kind,
    severity: clash.severity,
    layer: clash.layer,
    trigger: triggerKey(clash.trigger),
    commands: clash.commandIds.map(name),
    message: clash.message,
    cause: clash.cause,
    evidence: clash.evidence,
    ...(clash.setting !== undefined && { setting: clash.setting }),
    ...(accepted && { accepted: accepted.note }),
    remedies: remedies.map((r) => ({
      kind: r.kind,
      ...(r.commandId !== undefined && { command: name(r.commandId) }),
      ...(r.to && { to: triggerKey(r.to) }),
      text: r.text,
    })),
  }))
  const open = clashes.filter((c) => c.accepted === undefined)
  const counts = Object.fromEntries(severities.map((s) => [s, open.filter((c) => c.severity === s).length]))
  const acceptedCount = clashes.length - open.length
  const title = `${arrangement.name}: ${open.length} clashes${acceptedCount > 0 ? `, ${acceptedCount} more accepted` : ''}`
  const text = {
    list: () => [
      title,
      ...open.map(
        (c) => `${c.severity.padEnd(9)} ${c.layer.padEnd(11)} ${c.trigger.padEnd(24)} ${c.message}`,
      ),
    ],
    causes: () => [
      title,
      ...causesOf(found.filter((f) => !f.accepted).map((f) => f.clash)).flatMap((cause) => [
        `${cause.severity.padEnd(9)} ${cause.text} (${cause.clashes.length})`,
        ...cause.clashes.map(
          (c) => `  ${triggerKey(c.trigger).padEnd(24)} ${c.commandIds.map(name).join(', ')}`,
        ),
      ]),
    ],
    lines: () => open.map((c) => workflowLine(files[0] ?? '', c)),
  }[format]()
  return {
    value: { arrangement: arrangement.id, clashes, counts, accepted: acceptedCount },
    text: text.join('\n'),
    findings: open.some((c) => severities.indexOf(c.severity) <= severities.indexOf(failOn)),
  }
}

const maxDumpBytes = 2_000_000

/** The plan with the settings of a machine, as `gsettings list-recursively` tells them. */
function withOwnKeys(plan: Plan, path: string | undefined): Plan {
  if (path === undefined) return plan
  const around = surroundings({ ...plan, system: 'gnome' }, catalogues)
  const { own } = readGnomeDump(readTextFile(path, maxDumpBytes), around.system, around.layout)
  return { ...plan, ownSystemKeys: { ...plan.ownSystemKeys, gnome: own } }
}

const levels = { blocks: 'error', shadows: 'error', ambiguous: 'warning', caution: 'notice' } as const

/** Signs that end a field of a workflow command are written by their number. */
const escaped = (text: string): string =>
  text.replaceAll('%', '%25').replaceAll('\r', '%0D').replaceAll('\n', '%0A')
const field = (text: string): string => escaped(text).replaceAll(':', '%3A').replaceAll(',', '%2C')

/** One finding as a line that build servers show beside the file. */
const workflowLine = (
  file: string,
  c: {
    readonly severity: Severity
    readonly layer: string
    readonly trigger: string
    readonly message: string
  },
): string =>
  `::${levels[c.severity]} file=${field(file)},title=${field(`${c.severity}, ${c.layer}: ${c.trigger}`)}::${escaped(c.message)}`
