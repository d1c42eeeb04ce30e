import { describe, expect, test } from 'vitest'
import { chord, environmentOf, triggerName, type Plan } from '../../src/index.js'
import { listHtml, listMarkdown, triggerList } from '../../src/labels/index.js'
import { catalogues, demoPlan, draft } from '../work/desk.js'

const env = environmentOf(demoPlan, catalogues, draft)
const list = (order: 'context' | 'device' | 'modifiers') =>
  triggerList('Season', draft.placements, env, order)

describe('a list of all triggers', () => {
  test('by context has every placed command in every context where it is live, or once where it is live everywhere', () => {
    const { sections } = list('context')
    expect(sections.map((s) => s.title)).toContain('Fenmap, Tracing')
    for (const { commandId } of draft.placements) {
      const command = demoPlan.commands.find((c) => c.id === commandId)!
      const program = demoPlan.programs.find((p) => p.id === command.programId)!
      for (const context of program.contexts) {
        const isLive = command.contextIds.length === 0 || command.contextIds.includes(context.id)
        const found = (title: string): number =>
          sections
            .find((s) => s.title === `${program.name}, ${title}`)
            ?.entries.filter((e) => e.command.startsWith(command.name)).length ?? 0
        const isEverywhere =
          command.contextIds.length === 0 || command.contextIds.length === program.contexts.length
        if (isLive) expect(found(isEverywhere ? 'everywhere' : context.name)).toBeGreaterThan(0)
      }
    }
  })
  test('by device has every placement once', () => {
    const { sections } = list('device')
    expect(sections.map((s) => s.title)).toEqual(
      expect.arrayContaining(['Keyboard', 'Mouse', 'Deck of 15 buttons']),
    )
    expect(sections.reduce((sum, s) => sum + s.entries.length, 0)).toBe(draft.placements.length)
  })
  test('by modifiers has every placement once, those with the fewest held first', () => {
    const { sections } = list('modifiers')
    expect(sections[0]!.title).toBe('No modifier')
    expect(sections.map((s) => s.title)).toEqual(expect.arrayContaining(['Shift', 'Ctrl', 'Ctrl+Shift']))
    expect(sections.reduce((sum, s) => sum + s.entries.length, 0)).toBe(draft.placements.length)
    const held = sections.map((s) => (s.title === 'No modifier' ? 0 : s.title.split('+').length))
    expect(held).toEqual(held.toSorted((a, b) => a - b))
  })
  test('keys stand in the order in which they lie, a key’s own triggers by name', () => {
    const { entries } = list('device').sections.find((s) => s.title === 'Keyboard')!
    const order = new Map(env.controls.map((c, i) => [c.code, i]))
    const plainKeys = draft.placements.flatMap(({ trigger }) =>
      trigger.kind === 'chord' && order.has(trigger.code)
        ? [{ name: triggerName(trigger, env), at: order.get(trigger.code)! }]
        : [],
    )
    const placeOf = new Map(plainKeys.map((k) => [k.name, k.at]))
    const listed = entries.flatMap((e) => placeOf.get(e.trigger) ?? [])
    expect(listed.length).toBeGreaterThan(50)
    expect(listed).toEqual(listed.toSorted((a, b) => a - b))
    const onOneKey = new Map<number, string[]>()
    for (const { trigger } of entries) {
      const at = placeOf.get(trigger)
      if (at !== undefined) onOneKey.set(at, [...(onOneKey.get(at) ?? []), trigger])
    }
    const several = [...onOneKey.values()].filter((of) => of.length > 1)
    expect(several.length).toBeGreaterThan(3)
    for (const names of several) expect(names).toEqual(names.toSorted((a, b) => (a < b ? -1 : 1)))
  })
  test('tells the way out of each trap that has a trigger', () => {
    const { traps } = list('context')
    const placed = new Set(draft.placements.map((p) => p.commandId))
    const harmful = demoPlan.commands.filter((c) => c.damage !== undefined && placed.has(c.id))
    expect(harmful.length).toBeGreaterThan(0)
    for (const command of harmful) {
      const trap = traps.find((t) => t.command.startsWith(command.name))!
      expect(trap.wayOut).not.toBe('')
      if (command.damage!.wayOut !== '')
        expect(trap.wayOut).toContain(command.damage!.wayOut.replace(/\.$/, ''))
    }
  })
  test('of an arrangement without placements is empty', () => {
    expect(triggerList('Empty', [], env, 'device')).toEqual({ title: 'Empty', sections: [], traps: [] })
  })
})

describe('its files', () => {
  const odd: Plan = {
    ...demoPlan,
    commands: [{ ...demoPlan.commands[0]!, name: 'A | b <script>*x*', contextIds: [] }],
  }
  const strange = triggerList(
    'Odd <b>',
    [{ commandId: odd.commands[0]!.id, trigger: chord('KeyA') }],
    environmentOf(odd, catalogues, draft),
    'context',
  )
  test('in Markdown every row has three cells, whatever a name holds', () => {
    const lines = listMarkdown(strange).split('\n')
    const rows = lines.filter((l) => l.startsWith('| '))
    expect(rows.length).toBeGreaterThan(2)
    for (const row of rows) expect(row.replaceAll('\\|', '').split('|').length).toBe(5)
    expect(lines.join()).not.toContain('<script>')
  })
  test('in HTML nothing of a name is markup', () => {
    const page = listHtml(strange)
    expect(page).not.toContain('<script')
    expect(page).not.toContain('<b>')
    expect(page).toContain('A | b &lt;script&gt;*x*')
  })
  test('have as many rows as there are entries', () => {
    const all = list('device')
    const entries = all.sections.reduce((sum, s) => sum + s.entries.length, 0) + all.traps.length
    expect(listHtml(all).match(/<tr>/g)!.length).toBe(entries)
    expect(listMarkdown(all).match(/^\| (?!---|Trigger)/gm)!.length).toBe(entries)
  })
})
