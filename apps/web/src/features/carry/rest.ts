import { writeCsv } from '@reach-plot/core'
import { keysInWords, stepInWords, type SetUpStep } from '@reach-plot/core/carry'
import type { CarryScreen } from './use-carry.js'

/** What is not ticked off, place by place. */
const restOf = ({ places, ticks }: CarryScreen) =>
  places
    .map((p) => ({ name: p.name, steps: p.steps.filter((s) => ticks[s.id] === undefined) }))
    .filter((p) => p.steps.length > 0)

const nameOf = (s: SetUpStep): string =>
  [s.command?.name ?? s.systemAction ?? '', s.command?.parameter].filter(Boolean).join(' ')

/** The rest as a list to tick on paper or in an editor. */
export const restAsMarkdown = (view: CarryScreen): string =>
  [
    `# ${view.plan.name}: from “${view.from.name}” to “${view.arrangement.name}”`,
    ...restOf(view).flatMap(({ name, steps }) => [
      `\n## ${name}\n`,
      ...steps.map((s) => {
        const menu = s.command?.menu.join(' › ')
        return `- [ ] ${menu ? `${menu}: ` : ''}${nameOf(s)}: ${stepInWords(s, view.env).join(' ')}`
      }),
    ]),
  ].join('\n') + '\n'

export const restAsCsv = (view: CarryScreen): string =>
  writeCsv(
    ['where', 'menu', 'command', 'now', 'becomes', 'what to do'],
    restOf(view).flatMap(({ name, steps }) =>
      steps.map((s) => [
        name,
        s.command?.menu.join(' > ') ?? '',
        nameOf(s),
        keysInWords(s.was, view.env),
        keysInWords(s.becomes, view.env),
        stepInWords(s, view.env).join(' '),
      ]),
    ),
  )
