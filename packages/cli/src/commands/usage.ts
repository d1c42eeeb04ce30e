import { fileURLToPath } from 'node:url'
import { activeArrangement, onBench, maxUsageBytes, usageReader } from '@reach-plot/core'
import { loadPlan, readPieces, rounded, usageError } from '../io.js'
import { defineVerb, numberOr, text } from '../verb.js'

const demoPlan = fileURLToPath(new URL('../../../../demo/demo.reachplot.json', import.meta.url))

/** What a usage log tells of a plan's commands. Exits 1 when rows cannot be used. */
export const verb = defineVerb({
  name: 'usage',
  summary: 'what a usage log tells of a plan’s commands',
  files: 'LOG.csv|LOG.jsonl',
  options: {
    plan: text('PLAN.json', 'the plan; the example where left out'),
    top: numberOr(20, 1, 10_000, 'how many of each list'),
  },
  async run({ files, options }) {
    const [log] = files
    if (log === undefined) throw usageError('a log is missing', 'name a CSV or JSON Lines file')
    const { top } = options
    const plan = loadPlan(options.plan ?? demoPlan)
    const reader = usageReader(plan, log)
    for await (const piece of readPieces(log, maxUsageBytes)) reader.push(piece)
    const report = reader.finish()
    const placed = new Set(
      onBench(activeArrangement(plan), plan.activeBenchId).placements.map((p) => p.commandId),
    )
    const names = new Map(plan.commands.map((c) => [c.id, c.name]))
    const commands = report.commands.map((c) => ({
      command: c.commandId,
      uses: c.uses,
      usesPerHour: report.activeHours > 0 ? rounded(c.uses / report.activeHours, 2) : null,
      byMenu: c.byMenu,
      byPointer: c.byPointer,
      menuThoughPlaced: placed.has(c.commandId) ? c.byMenu : 0,
    }))
    return {
      value: {
        plan: plan.name,
        rows: report.goodRows,
        badRows: report.badRows,
        bad: report.bad,
        activeHours: rounded(report.activeHours, 2),
        sittings: report.sessions,
        commands,
        follows: report.follows.slice(0, top),
        routines: report.sequences,
      },
      text: [
        `${report.goodRows} rows in ${report.activeHours.toFixed(1)} hours of work, ${report.badRows} cannot be used`,
        ...report.reasons.slice(0, top).map((r) => `  ${r.rows} from line ${r.firstLine}: ${r.reason}`),
        'Most used:',
        ...commands
          .slice(0, top)
          .map((c) => `  ${String(c.uses).padStart(7)} ${names.get(c.command) ?? c.command}`),
        'Repeated sequences:',
        ...report.sequences
          .slice(0, top)
          .map(
            (s) =>
              `  ${String(s.support).padStart(7)} ${s.commandIds.map((id) => names.get(id) ?? id).join(', ')}`,
          ),
      ].join('\n'),
      findings: report.badRows > 0,
    }
  },
})
