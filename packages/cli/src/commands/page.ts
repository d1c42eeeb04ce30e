import { prepare } from '@reach-plot/core'
import { pageForOthers } from '@reach-plot/core/carry'
import { catalogues, loadPlan, usageError, writeOut } from '../io.js'
import { arrangementOf } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** One HTML page of an arrangement, for people without the app. */
export const verb = defineVerb({
  name: 'page',
  summary: 'one HTML page of an arrangement, for people without the app',
  files: 'PLAN.json',
  options: {
    arrangement: text('ARRANGEMENT', 'by id or name; the one in front where left out'),
    out: text('PAGE.html', 'the file to write'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    if (options.out === undefined) throw usageError('--out is missing', 'name the page to write')
    const model = prepare(plan, catalogues, {
      ...(options.arrangement !== undefined && { arrangement: arrangementOf(plan, options.arrangement) }),
    })
    const page = pageForOthers(model)
    writeOut(options.out, page)
    return {
      value: { out: options.out, arrangement: model.arrangement.id, characters: page.length },
      text: `${options.out} written`,
    }
  },
})
