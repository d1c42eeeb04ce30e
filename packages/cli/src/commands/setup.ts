import {
  keysInWords,
  setUpCsv,
  setUpMarkdown,
  setUpSheet,
  setUpSteps,
  stepInWords,
  type SetUpPart,
  type SetUpStep,
} from '@reach-plot/core/carry'
import { noAdjust, mediaOf } from '@reach-plot/core/drawing'
import { listHtml, listSheet, paperStock } from '@reach-plot/core/labels'
import { documentFile } from '@reach-plot/print'
import type { PreparedModel } from '@reach-plot/core'
import { labelFont } from '../label-font.js'
import { loadPlan, usageError, writeOut } from '../io.js'
import { betweenArrangements, betweenOptions } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'
import { rasteriser } from '../raster.js'

/** What to change in which settings, in an order in which no key is held twice. */
export const verb = defineVerb({
  name: 'setup',
  summary: 'what to change in which settings, from one arrangement to another',
  files: 'PLAN.json',
  options: {
    ...betweenOptions,
    out: text('FILE.pdf|.html|.md|.csv', 'the list as a file'),
  },
  async run({ files, options }) {
    const { from, to } = betweenArrangements(loadPlan(files[0]), options)
    const { plan, env } = to
    const steps = setUpSteps(from, to)
    const placeName = ({ place }: SetUpStep): string =>
      place.kind === 'system'
        ? 'system'
        : ((place.kind === 'program' ? plan.programs : plan.devices).find((x) => x.id === place.id)?.name ??
          place.id)
    if (options.out !== undefined) {
      const names = [...new Set(steps.map(placeName))]
      const parts = names.map((name) => ({ name, steps: steps.filter((s) => placeName(s) === name) }))
      await writeList(
        options.out,
        `${plan.name}: from “${from.arrangement.name}” to “${to.arrangement.name}”`,
        parts,
        to,
      )
    }
    return {
      value: {
        from: from.arrangement.id,
        to: to.arrangement.id,
        steps: steps.map((s) => ({
          id: s.id,
          place: placeName(s),
          kind: s.place.kind,
          command: s.command?.id ?? null,
          name: s.command?.name ?? s.systemAction ?? '',
          menu: s.command?.menu ?? [],
          was: keysInWords(s.was, env),
          becomes: keysInWords(s.becomes, env),
          doThis: stepInWords(s, env),
          after: s.after,
        })),
      },
      text: steps
        .map(
          (s) =>
            `${placeName(s)}: ${s.command?.name ?? s.systemAction ?? ''}: ${stepInWords(s, env).join(' ')}`,
        )
        .join('\n'),
    }
  },
})

async function writeList(
  out: string,
  title: string,
  parts: readonly SetUpPart[],
  { env, plan }: PreparedModel,
): Promise<void> {
  const ending = out.toLowerCase().split('.').at(-1)
  if (ending === 'md') return writeOut(out, setUpMarkdown(title, parts, env))
  if (ending === 'csv') return writeOut(out, setUpCsv(parts, env))
  const list = setUpSheet(title, parts, env)
  if (ending === 'html') return writeOut(out, listHtml(list))
  if (ending !== 'pdf')
    throw usageError(`"${out.slice(0, 80)}" cannot be written`, 'end its name with .pdf, .html, .md or .csv')
  const stock = paperStock(plan.labels.rule.paper)
  const font = labelFont(JSON.stringify(list))
  const file = await documentFile(listSheet(list, stock, font), 'pdf', title, {
    font,
    adjust: noAdjust,
    dpi: 203,
    stock: '#ffffff',
    media: mediaOf(stock),
    rasterType: 'black_1',
    rasterise: await rasteriser(),
  })
  writeOut(out, file.bytes)
}
