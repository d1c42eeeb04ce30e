import { writeCsv } from '../formats/index.js'
import type { Naming } from '../triggers/index.js'
import type { TriggerList } from '../labels/index.js'
import type { SetUpStep } from './set-up.js'
import { keysInWords, stepInWords } from './words.js'

/** Steps of one place of the set-up, under its name. */
export interface SetUpPart {
  readonly name: string
  readonly steps: readonly SetUpStep[]
}

const nameOf = ({ command, systemAction }: SetUpStep): string =>
  [command?.name ?? systemAction ?? '', command?.parameter].filter(Boolean).join(' ')
const menuOf = ({ command }: SetUpStep): string => command?.menu.join(' › ') ?? ''

/** The list as text to tick on paper or in an editor (Markdown). */
export const setUpMarkdown = (title: string, parts: readonly SetUpPart[], naming: Naming): string =>
  [
    `# ${title}`,
    ...parts.flatMap(({ name, steps }) => [
      `\n## ${name}\n`,
      ...steps.map((s) => {
        const menu = menuOf(s)
        return `- [ ] ${menu ? `${menu}: ` : ''}${nameOf(s)}: ${stepInWords(s, naming).join(' ')}`
      }),
    ]),
  ].join('\n') + '\n'

/** The list as CSV. */
export const setUpCsv = (parts: readonly SetUpPart[], naming: Naming): string =>
  writeCsv(
    ['where', 'menu', 'command', 'now', 'becomes', 'what to do'],
    parts.flatMap(({ name, steps }) =>
      steps.map((s) => [
        name,
        s.command?.menu.join(' > ') ?? '',
        nameOf(s),
        keysInWords(s.was, naming),
        keysInWords(s.becomes, naming),
        stepInWords(s, naming).join(' '),
      ]),
    ),
  )

/** The list as the printed lists of triggers are set: what each command is on afterwards, and where it is found. */
export const setUpSheet = (title: string, parts: readonly SetUpPart[], naming: Naming): TriggerList => ({
  title,
  sections: parts.map(({ name, steps }) => ({
    title: name,
    entries: steps.map((s) => ({
      trigger:
        s.place.kind === 'system'
          ? keysInWords(s.off, naming)
          : s.becomes.length > 0
            ? keysInWords(s.becomes, naming)
            : 'no key',
      command:
        s.place.kind === 'system'
          ? `free it; now ${nameOf(s)}`
          : [nameOf(s), menuOf(s)].filter(Boolean).join(' · '),
      where: stepInWords(s, naming).join(' '),
    })),
  })),
  traps: [],
})
