import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  parseTrigger,
  readPlan,
  readRate,
  triggerKey,
  writePlan,
  type Plan,
} from '../../src/index.js'
import { entriesOf, takeTable, type TakeOptions } from '../../src/key-tables/index.js'
import { demoPlan, read, speller, usPlan } from './tables.js'

const options: TakeOptions = { programName: 'Chartroom', mode: 'merge', as: 'arrangement' }
const take = async (file: string, plan: Plan = usPlan, more: Partial<TakeOptions> = {}) => {
  const { table, columns } = await read(file)
  return takeTable(plan, entriesOf(table, columns, speller, 2), { ...options, ...more })
}
const keysIn = (plan: Plan, name: string): string[] => {
  const command = plan.commands.find((c) => c.name === name)!
  return activeArrangement(plan)
    .placements.filter((p) => p.commandId === command.id)
    .map((p) => triggerKey(p.trigger) + (p.contextIds ? ` in ${p.contextIds.join('+')}` : ''))
    .sort()
}
const first =
  'Name,Keys,Mode,Menu,Uses\nSound depth,Ctrl+D,,Chart > Depth,300 a day\nTurn page,N,Reading,,5/h\nTurn page,P,Writing,,\n'

describe('a table taken into a plan', () => {
  test('brings program, modes, commands, rates and keys at once; the plan opens again', async () => {
    const taken = await take(first)
    expect(taken.newPrograms).toEqual(['Chartroom'])
    expect(taken.newContexts.map((c) => c.context)).toEqual(['Reading', 'Writing'])
    expect(taken.commands.map((c) => [c.command.name, c.status, c.command.usesPerHour])).toEqual([
      ['Sound depth', 'new', 150],
      ['Turn page', 'new', 5],
    ])
    expect(readPlan(writePlan(taken.plan))).toEqual(taken.plan)
  })
  test('a command with different keys by mode keeps them by mode', async () => {
    const { plan } = await take(first)
    expect(keysIn(plan, 'Turn page')).toEqual(['KeyN in reading', 'KeyP in writing'])
    expect(keysIn(plan, 'Sound depth')).toEqual(['Control+KeyD'])
  })
  test('a second, newer file shows what has changed since the first', async () => {
    const { plan } = await take(first)
    const again = await take(first, plan)
    expect(again.commands.map((c) => c.status)).toEqual(['same', 'same'])
    expect(again.plan.commands).toEqual(plan.commands)
    const newer = await take(first.replace('Ctrl+D', 'Ctrl+E').replace('5/h', '6/h'), plan)
    expect(newer.commands.map((c) => [c.status, c.changes])).toEqual([
      ['changed', []],
      ['changed', ['uses']],
    ])
    expect(newer.commands[0]!.keysBefore.map(triggerKey)).toEqual(['Control+KeyD'])
    expect(keysIn(newer.plan, 'Sound depth')).toEqual(['Control+KeyE'])
  })
  test('further keys come beside, replacing takes all of the program and nothing of another', async () => {
    const { plan } = await take(first)
    const more = 'Name,Keys\nSound depth,F7\n'
    expect(keysIn((await take(more, plan, { mode: 'add' })).plan, 'Sound depth')).toEqual([
      'Control+KeyD',
      'F7',
    ])
    const replaced = (await take(more, plan, { mode: 'replace' })).plan
    expect(keysIn(replaced, 'Sound depth')).toEqual(['F7'])
    expect(keysIn(replaced, 'Turn page')).toEqual([])
    const others = (p: Plan): number =>
      activeArrangement(p).placements.filter((x) => x.commandId.startsWith('fenmap')).length
    expect(others(replaced)).toBe(others(plan))
  })
  test('what is locked stays in every way of taking, and is told', async () => {
    const { plan } = await take(first)
    const id = plan.commands.find((c) => c.name === 'Sound depth')!.id
    const locked: Plan = { ...plan, rules: { ...plan.rules, lockedCommandIds: [id], barredControls: ['F8'] } }
    for (const mode of ['merge', 'add', 'replace'] as const) {
      const taken = await take('Name,Keys\nSound depth,F7\nTurn page,F8\n', locked, { mode })
      expect(keysIn(taken.plan, 'Sound depth')).toEqual(['Control+KeyD'])
      expect(taken.held.map((p) => triggerKey(p.trigger))).toEqual(['F7', 'F8'])
    }
  })
  test('as defaults it goes to the defaults alone; defaults in front are copied before they change', async () => {
    const before = activeArrangement(usPlan)
    const taken = await take(first, usPlan, { as: 'defaults' })
    expect(taken.plan.arrangements.find((a) => a.id === before.id)).toEqual(before)
    const defaults = taken.plan.arrangements.find((a) => a.isDefault)!
    expect(
      defaults.placements.some(
        (p) => triggerKey(p.trigger) === 'Control+KeyD' && p.commandId.includes('sound'),
      ),
    ).toBe(true)
    const front: Plan = { ...usPlan, activeArrangementId: defaults.id }
    const copied = await take(first, front)
    expect(activeArrangement(copied.plan).isDefault).toBe(false)
    expect(copied.plan.arrangements.find((a) => a.isDefault)).toEqual(
      front.arrangements.find((a) => a.isDefault),
    )
  })
  test('keys of other devices stay when a table tells the keyboard’s', async () => {
    const command = demoPlan.commands.find((c) => c.name === 'Hide shape')!
    const plan: Plan = {
      ...usPlan,
      arrangements: usPlan.arrangements.map((a) =>
        a.id === usPlan.activeArrangementId
          ? {
              ...a,
              placements: [
                ...a.placements.filter((p) => p.commandId !== command.id),
                { commandId: command.id, trigger: parseTrigger('pad/k3') },
                { commandId: command.id, trigger: parseTrigger('KeyH') },
              ],
            }
          : a,
      ),
    }
    const taken = await take('Name,Keys\nHide shape,Ctrl+H\n', plan, { programName: 'Fenmap' })
    expect(keysIn(taken.plan, 'Hide shape')).toEqual(['Control+KeyH', 'pad/k3'])
  })
  test('what cannot be read is told with its line, and the rest is taken', async () => {
    const { table, columns } = await read('Name,Keys\nOne,Ctrl+1\nTwo,Ctrl+Banana\n,Ctrl+3\nFour,F4\n')
    const { entries, unreadable } = entriesOf(table, columns, speller, 2)
    expect(entries.map((e) => e.name)).toEqual(['One', 'Two', 'Four'])
    expect(unreadable.map((u) => [u.line, u.text])).toEqual([
      [3, 'Ctrl+Banana'],
      [4, 'Ctrl+3'],
    ])
  })
})

describe('columns', () => {
  test('without a heading are known by what stands in them, and by the names of the plan', async () => {
    const { columns } = await read('Fenmap\tTracing\tFold chart\tFile > Fold\t3\nFenmap\t\tUnfold chart\t\t2')
    expect(columns).toEqual(['program', 'context', 'command', 'menu', 'uses'])
  })
  test('names that read as keys are names where other cells are keys', async () => {
    const rows = [...'ABCDEF'].map((l, i) => `Command ${l}\t${i % 2 ? '' : `Ctrl+${l}`}`).join('\n')
    expect((await read(rows)).columns).toEqual(['command', 'keys'])
  })
  test('for several systems: the plan’s own is read', async () => {
    const text = 'Action,Windows,macOS\nSave chart,Ctrl+S,⌘S\nFit chart,Ctrl+0,⌘0\n'
    expect((await read(text)).columns).toEqual(['command', 'keys', 'ignore'])
    const mac = { ...speller, naming: { ...speller.naming, systemId: 'macos' as const } }
    expect((await read(text, mac)).columns).toEqual(['command', 'ignore', 'keys'])
  })
})

describe('how often, in words', () => {
  test.each([
    ['12', 12],
    ['300 a day', 150],
    ['300/d', 150],
    ['5/h', 5],
    ['5 an hour', 5],
    ['2 per minute', 120],
    ['1,200', 1200],
    ['0,5', 0.5],
    ['daily', 0.5],
    ['20 a week', 2],
    ['10x', 10],
    ['never', 0],
    ['a lot', null],
    ['-3', null],
    ['', null],
  ])('%s', (text, rate) => expect(readRate(text, 2)).toBe(rate))
})
