import { setUpCsv, setUpMarkdown, setUpSheet, type SetUpPart } from '@reach-plot/core/carry'
import { listHtml, listSheet, paperStock } from '@reach-plot/core/labels'
import { download } from '../../parts/download.js'
import { showProblem } from '../../store/problem.js'
import { fetchLabelFont } from '../../worker/label-font.js'
import { makePdf } from '../../worker/label-client.js'
import type { CarryScreen } from './use-carry.js'

/** Forms in which what is left to do can be kept, as they are called. */
export const restForms = ['PDF', 'HTML page', 'Text', 'CSV'] as const
export type RestForm = (typeof restForms)[number]

/** What is not ticked off, place by place. */
const restOf = ({ places, ticks }: CarryScreen): SetUpPart[] =>
  places
    .map((p) => ({ name: p.name, steps: p.steps.filter((s) => ticks[s.id] === undefined) }))
    .filter((p) => p.steps.length > 0)

/** Saves what is left to do in a form. */
export async function saveRest(form: RestForm, view: CarryScreen): Promise<void> {
  const { plan, from, arrangement, env } = view
  const title = `${plan.name}: from “${from.name}” to “${arrangement.name}”`
  const parts = restOf(view)
  const stem = `${plan.name} set-up`
  switch (form) {
    case 'Text':
      return download(setUpMarkdown(title, parts, env), `${stem}.md`, 'text/markdown')
    case 'CSV':
      return download(setUpCsv(parts, env), `${stem}.csv`, 'text/csv')
    case 'HTML page':
      return download(listHtml(setUpSheet(title, parts, env)), `${stem}.html`, 'text/html')
    case 'PDF':
      try {
        const list = setUpSheet(title, parts, env)
        const stock = paperStock(plan.labels.rule.paper)
        const document = listSheet(list, stock, await fetchLabelFont(JSON.stringify(list)))
        const file = await makePdf(document, stem, stock)
        download(file.bytes, file.name, file.type)
      } catch (error) {
        showProblem(error)
      }
  }
}
