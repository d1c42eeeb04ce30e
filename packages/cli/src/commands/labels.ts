import { writeFileSync } from 'node:fs'
import {
  activeArrangement,
  defaultLabelOptions,
  isLiveIn,
  labelPdf,
  labelSheet,
  listHtml,
  listMarkdown,
  listOrders,
  surroundings,
  triggerList,
  type ListOrder,
  type Plan,
} from '@reach-plot/core'
import { catalogues, loadPlan, usageError, type Outcome } from '../io.js'
import { labelFont } from '../label-font.js'
import { choice, number, readOptions } from '../options.js'

export const help =
  'labels PLAN.json --out labels.pdf [--paper iso_a4_210x297mm] [--distance 500] [--program ID, else the first] [--context ID], or --list context|device --out list.md|list.html'

/** Labels of the active arrangement as PDF; labels that cannot be read are findings. */
export async function run(args: readonly string[]): Promise<Outcome> {
  const { options, files } = readOptions(args, ['paper', 'out', 'distance', 'program', 'context', 'list'])
  const plan = loadPlan(files[0])
  const out = options['out']
  if (out === undefined) throw usageError('--out is missing', 'name the file to write')
  if (options['list'] !== undefined)
    return writeList(plan, out, choice('list', options['list'], listOrders, 'context'))
  const wanted = options['program'] ?? plan.programs[0]?.id
  const program = plan.programs.find((p) => p.id === wanted)
  if (!program)
    throw usageError(
      `there is no program "${wanted}"`,
      `choose one of ${plan.programs.map((p) => p.id).join(', ')}`,
    )
  const context = options['context']
  if (context !== undefined && !program.contexts.some((c) => c.id === context))
    throw usageError(
      `there is no context "${context}"`,
      `choose one of ${program.contexts.map((c) => c.id).join(', ')}`,
    )
  const around = surroundings(plan, catalogues)
  const arrangement = activeArrangement(plan)
  const commands = plan.commands.filter((c) => isLiveIn(c, program, context ?? null))
  const font = labelFont()
  const sheet = labelSheet(
    {
      placements: arrangement.placements,
      commands,
      controls: around.controls,
      layout: around.layout,
      systemId: around.systemId,
    },
    {
      ...defaultLabelOptions,
      paper: options['paper'] ?? defaultLabelOptions.paper,
      readingDistanceMm: number(
        'distance',
        options['distance'],
        defaultLabelOptions.readingDistanceMm,
        200,
        2000,
      ),
    },
    font,
  )
  const printed = sheet.pages.flat()
  if (printed.length === 0)
    throw usageError('no label would be printed', sheet.unreadable[0]?.reason ?? 'place a command first')
  writeFileSync(out, await labelPdf(sheet, font, `${plan.name}, ${arrangement.name}`))
  return {
    value: {
      out,
      pages: sheet.pages.length,
      labels: printed.length,
      shortened: printed.filter((l) => l.shortened).map((l) => l.controlId),
      unreadable: sheet.unreadable,
    },
    text: [
      `${out}: ${printed.length} labels on ${sheet.pages.length} page(s)`,
      ...sheet.unreadable.map((u) => `left out ${u.legend}: ${u.reason}`),
    ].join('\n'),
    findings: sheet.unreadable.length > 0,
  }
}

/** All triggers on one page, in the form that the file's ending names. */
function writeList(plan: Plan, out: string, order: ListOrder): Outcome {
  const form = /\.(md|html)$/.exec(out)?.[1]
  if (form === undefined)
    throw usageError(`a list cannot be written as "${out}"`, 'end the name with .md or .html')
  const arrangement = activeArrangement(plan)
  const list = triggerList(
    `${plan.name}, ${arrangement.name}`,
    arrangement.placements,
    surroundings(plan, catalogues),
    order,
  )
  writeFileSync(out, form === 'md' ? listMarkdown(list) : listHtml(list))
  const entries = list.sections.reduce((sum, s) => sum + s.entries.length, 0)
  return {
    value: { out, sections: list.sections.length, entries, traps: list.traps.length },
    text: `${out}: ${entries} triggers in ${list.sections.length} sections, ${list.traps.length} traps`,
  }
}
