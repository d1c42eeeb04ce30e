import { basename } from 'node:path'
import { prepare, type Plan } from '@reach-plot/core'
import { keysInWords, standardReport } from '@reach-plot/core/carry'
import { catalogues, loadPlan, usageError } from '../io.js'
import { defineVerb } from '../verb.js'

/** Who follows a standard, who deviates where, and whom it does not serve. */
export const verb = defineVerb({
  name: 'standard',
  summary: 'plans against a standard: who deviates where, and whom it does not serve',
  files: 'STANDARD.json PLAN.json…',
  options: {},
  run({ files }) {
    const [path, ...others] = files
    if (path === undefined || others.length === 0)
      throw usageError(
        'a standard and at least one plan are needed',
        'write standard STANDARD.json PLAN.json…',
      )
    const model = (plan: Plan) => prepare(plan, catalogues)
    const standard = model(loadPlan(path))
    const people = others.map((file) => ({
      who: basename(file).replace(/\.reachplot\.json$|\.json$/, ''),
      report: standardReport(standard, model(loadPlan(file))),
    }))
    const keys = (triggers: Parameters<typeof keysInWords>[0]): string => keysInWords(triggers, standard.env)
    const commands = standard.plan.commands.flatMap((command) => {
      const who = people.flatMap(({ who: name, report }) => {
        const deviation = report.deviations.find((d) => d.command.id === command.id)
        return deviation ? [{ who: name, own: keys(deviation.own) }] : []
      })
      const unfit = people.flatMap(({ who: name, report }) =>
        report.unfit
          .filter((u) => u.command.id === command.id)
          .map((u) => ({ who: name, key: keys([u.trigger]), why: u.why })),
      )
      return who.length + unfit.length === 0
        ? []
        : [
            {
              command: command.id,
              name: command.name,
              standard: keys(standard.index.triggers.get(command.id) ?? []),
              deviates: who,
              unfit,
            },
          ]
    })
    const byMost = commands.sort(
      (a, b) => b.deviates.length - a.deviates.length || (a.name < b.name ? -1 : 1),
    )
    return {
      findings: byMost.length > 0,
      value: {
        people: people.map(({ who, report }) => ({
          who,
          shared: report.shared,
          deviations: report.deviations.length,
          unfit: report.unfit.length,
          lacking: report.lacking.map((c) => c.id),
        })),
        commands: byMost,
      },
      text: [
        ...people.map(
          ({ who, report }) =>
            `${who}: ${report.deviations.length} of ${report.shared} commands deviate, ${report.unfit.length} keys of the standard do not serve, ${report.lacking.length} commands are lacking`,
        ),
        ...byMost.map((c) =>
          [
            `${c.name} (${c.standard}):`,
            ...c.deviates.map((d) => `${d.who} has ${d.own};`),
            ...c.unfit.map((u) => `${u.key} for ${u.who}: ${u.why};`),
          ].join(' '),
        ),
      ].join('\n'),
    }
  },
})
