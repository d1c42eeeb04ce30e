import { escapeUTF8 } from 'entities'
import { contextsInWords, fullName, isLiveIn, livesEverywhere, type Command } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import { controlRefOf, heldOf, modifierName, triggerName, type Trigger } from '../triggers/index.js'
import type { Placed } from '../plan/index.js'

export const listOrders = ['context', 'device', 'modifiers'] as const
export type ListOrder = (typeof listOrders)[number]

export interface ListEntry {
  readonly trigger: string
  readonly command: string
  /** where it lives, on a list by device; the device, on one by context */
  readonly where: string
}

/** Something that a slip can bring about, and how to get out of it. */
export interface ListTrap {
  readonly trigger: string
  readonly command: string
  readonly wayOut: string
}

/** All triggers of an arrangement on one page, to be kept beside the screen. */
export interface TriggerList {
  readonly title: string
  readonly sections: readonly { readonly title: string; readonly entries: readonly ListEntry[] }[]
  readonly traps: readonly ListTrap[]
}

/** The modifiers that are held for a trigger, as the system calls them. */
const heldInWords = (trigger: Trigger, { systemId }: Pick<Environment, 'systemId'>): string =>
  heldOf(trigger)
    .map((m) => modifierName(m, systemId))
    .join('+') || 'No modifier'

const keysAnyBoard = 'Keyboard'

interface Placing {
  readonly command: Command
  readonly trigger: Trigger
}

/** Placements by a name; by modifiers those with the fewest first. */
function groupsOf(
  placed: readonly Placing[],
  order: ListOrder,
  nameOf: (of: Placing) => string,
): readonly { readonly title: string; readonly of: readonly Placing[] }[] {
  const named = [...new Set(placed.map(nameOf))].map((title) => ({
    title,
    of: placed.filter((p) => nameOf(p) === title),
  }))
  const heldIn = (of: readonly Placing[]): number => heldOf((of[0] as Placing).trigger).length
  return order === 'modifiers'
    ? named.toSorted((a, b) => heldIn(a.of) - heldIn(b.of) || (a.title < b.title ? -1 : 1))
    : named
}

/**
 * @param title  what stands on top
 * @param order  by program and context, by device, or by the modifiers that are held
 */
export function triggerList(
  title: string,
  placements: readonly Placed[],
  env: Environment,
  order: ListOrder,
): TriggerList {
  const commands = new Map(env.commands.map((c) => [c.id, c]))
  const placed = placements.flatMap(({ commandId, trigger }) => {
    const command = commands.get(commandId)
    return command ? [{ command, trigger }] : []
  })
  const name = (trigger: Trigger): string => triggerName(trigger, env)
  const deviceOf = (trigger: Trigger): string => {
    if (trigger.kind === 'popup') return env.legends?.get(`popup/${trigger.setId}`) ?? trigger.setId
    if ('deviceId' in trigger) return env.legends?.get(`device/${trigger.deviceId}`) ?? trigger.deviceId
    return keysAnyBoard
  }
  // keys in the order in which they lie, so that a glance finds them; what is not on the bench comes last
  const place = new Map(env.controls.map((c, i) => [c.code ?? c.id, i]))
  const orderOf = (trigger: Trigger): number => place.get(controlRefOf(trigger) ?? '') ?? Infinity
  const entries = (list: readonly Placing[], where: (of: Placing) => string): ListEntry[] =>
    list
      .toSorted(
        (a, b) => orderOf(a.trigger) - orderOf(b.trigger) || (name(a.trigger) < name(b.trigger) ? -1 : 1),
      )
      .map((of) => ({ trigger: name(of.trigger), command: fullName(of.command), where: where(of) }))
  const programOf = (command: Command) => env.programs.find((p) => p.id === command.programId)
  const sections =
    order === 'context'
      ? env.programs.flatMap((program) =>
          [null, ...program.contexts].map((context) => ({
            title: `${program.name}, ${context?.name ?? 'everywhere'}`,
            // what is live everywhere stands once, not in each context
            entries: entries(
              placed.filter(({ command }) =>
                context === null
                  ? command.programId === program.id && livesEverywhere(command, program)
                  : isLiveIn(command, program, context.id) && !livesEverywhere(command, program),
              ),
              ({ trigger }) => deviceOf(trigger),
            ),
          })),
        )
      : groupsOf(
          placed,
          order,
          order === 'device'
            ? ({ trigger }) => deviceOf(trigger)
            : ({ trigger }) => heldInWords(trigger, env),
        ).map(({ title: part, of }) => ({
          title: part,
          entries: entries(of, ({ command }) => {
            const program = programOf(command)
            return `${program?.name ?? ''}, ${contextsInWords(command, program)}`
          }),
        }))
  return {
    title,
    sections: sections.filter((s) => s.entries.length > 0),
    traps: placed.flatMap(({ command, trigger }): ListTrap[] => {
      const { damage, oppositeId } = command
      if (damage === undefined) return []
      const back = placed.find((p) => p.command.id === oppositeId)
      const undone = back ? `“${back.command.name}” on ${name(back.trigger)} takes it back` : ''
      return [
        {
          trigger: name(trigger),
          command: fullName(command),
          wayOut: [damage.wayOut.replace(/\.$/, ''), undone].filter(Boolean).join('; ') || 'none is known',
        },
      ]
    }),
  }
}

const cell = (text: string): string => text.replace(/[\\|*_`<>[\]#]/g, '\\$&').replace(/\s+/g, ' ')

/** The list as Markdown tables. */
export function listMarkdown({ title, sections, traps }: TriggerList): string {
  const table = (heads: readonly string[], rows: readonly (readonly string[])[]): string[] => [
    `| ${heads.join(' | ')} |`,
    `| ${heads.map(() => '---').join(' | ')} |`,
    ...rows.map((row) => `| ${row.map(cell).join(' | ')} |`),
    '',
  ]
  return [
    `# ${cell(title)}`,
    '',
    ...sections.flatMap((s) => [
      `## ${cell(s.title)}`,
      '',
      ...table(
        ['Trigger', 'Command', 'Where'],
        s.entries.map((e) => [e.trigger, e.command, e.where]),
      ),
    ]),
    ...(traps.length > 0
      ? [
          '## Traps, and the way out',
          '',
          ...table(
            ['Trigger', 'Command', 'Way out'],
            traps.map((t) => [t.trigger, t.command, t.wayOut]),
          ),
        ]
      : []),
  ].join('\n')
}

const html = escapeUTF8

/** The list as one HTML page that prints in columns; nothing in it runs or is loaded. */
export function listHtml({ title, sections, traps }: TriggerList): string {
  const rows = (list: readonly (readonly [string, string, string])[]): string =>
    list
      .map(([a, b, c]) => `<tr><th scope="row">${html(a)}</th><td>${html(b)}</td><td>${html(c)}</td></tr>`)
      .join('\n')
  const part = (name: string, body: string): string =>
    `<section><h2>${html(name)}</h2>\n<table>\n${body}\n</table></section>`
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${html(title)}</title>
<style>
@page { size: A4; margin: 12mm }
body { font: 9pt/1.3 'Source Sans 3', 'Noto Sans', sans-serif; color: #16283a; margin: 16px }
h1 { font-size: 14pt } h2 { font-size: 10pt; border-bottom: 1px solid #16283a; break-after: avoid }
main { columns: 2; column-gap: 18px }
table { border-collapse: collapse; width: 100% } tr { break-inside: avoid }
th, td { text-align: left; vertical-align: top; padding: 1px 6px 1px 0; border-bottom: 1px solid #d2cbb8 }
th { white-space: nowrap } td:last-child { color: #566673 }
</style>
<h1>${html(title)}</h1>
<main>
${sections.map((s) => part(s.title, rows(s.entries.map((e) => [e.trigger, e.command, e.where])))).join('\n')}
${traps.length > 0 ? part('Traps, and the way out', rows(traps.map((t) => [t.trigger, t.command, t.wayOut]))) : ''}
</main>
</html>
`
}
