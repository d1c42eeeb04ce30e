import {
  causesOf,
  readOwnKeys,
  checkArrangement,
  severities,
  environmentOf,
  systemIds,
  triggerKey,
  type Plan,
  type Severity,
  notLookedAt,
} from '@reach-plot/core'
import { layouts } from '@reach-plot/data'
import { catalogues, loadPlan, readTextFile } from '../io.js'
import { loadedPlan } from '../loaded-plan.js'
import { defineVerb, choice, choiceOr, text } from '../verb.js'

/** All clashes of an arrangement, with remedies. */
export const verb = defineVerb({
  name: 'check',
  summary: 'all clashes of an arrangement, with what would end them',
  files: 'PLAN.json',
  options: {
    system: choice(systemIds, 'another system than the plan’s'),
    layout: choice(
      layouts.map((l) => l.id),
      'another national layout than the plan’s',
    ),
    arrangement: text('ID', 'another than the one in front'),
    ownKeys: text('GSETTINGS.txt', 'settings of this machine, as gsettings list-recursively prints them'),
    failOn: choiceOr(severities, 'caution', 'the mildest severity that counts as a finding'),
    format: choiceOr(
      ['list', 'causes', 'lines'],
      'list',
      'one finding a line, by what one change mends, or for build servers',
    ),
  },
  run({ files, options }) {
    const given = loadPlan(files[0])
    const chosen: Plan = {
      ...given,
      system: options.system ?? given.system,
      layoutId: options.layout ?? given.layoutId,
    }
    const plan = withOwnKeys(chosen, options.ownKeys)
    const { model } = loadedPlan(plan, options.arrangement)
    const { arrangement } = model
    const name = (id: string): string => plan.commands.find((c) => c.id === id)?.name ?? id
    const { failOn, format } = options
    const found = checkArrangement(model)
    const clashes = found.map(({ clash, remedies, accepted }) => ({
      id: clash.id,
      kind: clash.kind,
      severity: clash.severity,
      layer: clash.stage,
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
    const notChecked = notLookedAt(plan)
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
      value: {
        arrangement: arrangement.id,
        clashes,
        counts,
        accepted: acceptedCount,
        ...(notChecked.length > 0 && { notChecked }),
      },
      text: [...text, ...(format === 'lines' ? [] : notChecked)].join('\n'),
      findings: open.some((c) => severities.indexOf(c.severity) <= severities.indexOf(failOn)),
    }
  },
})

const maxDumpBytes = 2_000_000

/** The plan with the key settings of a machine, in any form that its system writes. */
function withOwnKeys(plan: Plan, path: string | undefined): Plan {
  if (path === undefined) return plan
  const env = environmentOf(plan, catalogues)
  const { own } = readOwnKeys(readTextFile(path, maxDumpBytes), env.system, env.layout)
  return { ...plan, ownSystemKeys: { ...plan.ownSystemKeys, [plan.system]: own } }
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
