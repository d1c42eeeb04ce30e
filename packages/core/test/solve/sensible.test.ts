/**
 * A drawing program of 40 commands, made up, with plausible use: what is proposed for it holds what a person who lays out
 * shortcuts expects. Common practice, no source.
 */
import { beforeAll, describe, expect, test } from 'vitest'
import {
  arrangementProblem,
  benchCandidates,
  chord,
  defaultSolveOptions,
  heldOf,
  isFree,
  modifierSets,
  pageFor,
  placesOn,
  prepare,
  prepareWork,
  rankPlaces,
  setStandardsFree,
  solveArrangement,
  triggerKey,
  triggerReach,
  type CandidatePlace,
  type Command,
  type Plan,
  type Program,
  type SolveAnswer,
  type Trigger,
} from '../../src/index.js'
import { isPointed } from '../../src/clashes/index.js'
import { command } from '../build.js'
import { catalogues, demoPlan } from '../work/desk.js'

const sedge: Program = {
  id: 'sedge',
  name: 'Sedgeline',
  contexts: [
    { id: 'canvas', name: 'Canvas', typing: false, overlaps: [] },
    { id: 'caption', name: 'Captions', typing: true, overlaps: [] },
  ],
}
const loss = { damage: { level: 'loss', wayOut: 'Open the last copy' } } as const
const rework = { damage: { level: 'rework', wayOut: 'Undo, one by one' } } as const
const draws = { contextIds: ['canvas'] }

/** name, menu, uses an hour, the key that it has, and more */
type Row = readonly [string, readonly string[], number, string | null, Partial<Command>?]
const rows: readonly Row[] = [
  ['Copy', ['Edit', 'Copy'], 24, 'Control+KeyC'],
  ['Cut', ['Edit', 'Cut'], 5, 'Control+KeyX'],
  ['Paste', ['Edit', 'Paste'], 26, 'Control+KeyV'],
  ['Undo', ['Edit', 'Undo'], 45, 'Control+KeyZ'],
  ['Redo', ['Edit', 'Redo'], 6, 'Control+Shift+KeyZ'],
  ['Select all', ['Edit', 'Select all'], 4, 'Control+KeyA'],
  ['Find', ['Edit', 'Find'], 2, 'Control+KeyF'],
  ['Save drawing', ['File', 'Save drawing'], 8, 'Control+KeyS'],
  ['Open drawing', ['File', 'Open drawing'], 1, 'Control+KeyO'],
  ['New drawing', ['File', 'New drawing'], 1, 'Control+KeyN'],
  ['Print', ['File', 'Print'], 0.3, 'Control+KeyP'],
  ['Close drawing', ['File', 'Close drawing'], 1, 'Control+KeyW', rework],
  ['Quit', ['File', 'Quit'], 0.2, 'Control+KeyQ', rework],
  ['Delete shape', ['Edit', 'Delete shape'], 14, 'Delete', rework],
  ['Clear drawing', ['Edit', 'Clear drawing'], 0.2, null, loss],
  ['Flatten all layers', ['Layer', 'Flatten all layers'], 0.4, null, loss],
  ['Brush tool', ['Tool', 'Brush'], 60, null, draws],
  ['Eraser tool', ['Tool', 'Eraser'], 38, null, draws],
  ['Line tool', ['Tool', 'Line'], 22, null, draws],
  ['Fill tool', ['Tool', 'Fill'], 18, null, draws],
  ['Move tool', ['Tool', 'Move'], 34, null, draws],
  ['Pick colour', ['Tool', 'Pick colour'], 30, null, draws],
  ['Lasso tool', ['Tool', 'Lasso'], 16, null, draws],
  ['Larger brush', ['Brush', 'Larger'], 40, null, { ...draws, oppositeId: 'smaller-brush' }],
  ['Smaller brush', ['Brush', 'Smaller'], 38, null, { ...draws, oppositeId: 'larger-brush' }],
  ['Zoom in', ['View', 'Zoom in'], 50, null, { ...draws, oppositeId: 'zoom-out' }],
  ['Zoom out', ['View', 'Zoom out'], 44, null, { ...draws, oppositeId: 'zoom-in' }],
  ['Fit to window', ['View', 'Fit to window'], 20, null, draws],
  ['Turn view left', ['View', 'Turn left'], 8, null, { ...draws, oppositeId: 'turn-view-right' }],
  ['Turn view right', ['View', 'Turn right'], 8, null, { ...draws, oppositeId: 'turn-view-left' }],
  ['Mirror view', ['View', 'Mirror'], 9, null, draws],
  ['New layer', ['Layer', 'New layer'], 7, null],
  ['Next layer', ['Layer', 'Next layer'], 15, null, { ...draws, oppositeId: 'previous-layer' }],
  ['Previous layer', ['Layer', 'Previous layer'], 14, null, { ...draws, oppositeId: 'next-layer' }],
  ['Hide layer', ['Layer', 'Hide layer'], 12, null, draws],
  ['Lock layer', ['Layer', 'Lock layer'], 4, null, draws],
  ['Group shapes', ['Shape', 'Group'], 6, null, draws],
  ['Align left', ['Shape', 'Align left'], 3, null, draws],
  ['Show grid', ['View', 'Show grid'], 5, null, draws],
  ['Add caption', ['Shape', 'Add caption'], 5, null],
]

const commands = rows.map(([name, menu, usesPerHour, , change]) =>
  command(name, { programId: 'sedge', menu: [...menu], usesPerHour, ...change }),
)
const placements = rows.flatMap(([name, , , key]) => {
  if (key === null) return []
  const parts = key.split('+')
  const trigger = chord(parts.at(-1) as string, parts.slice(0, -1) as never)
  return [{ commandId: command(name).id, trigger }]
})
const plan: Plan = {
  ...demoPlan,
  programs: [sedge],
  commands,
  routines: [],
  usage: null,
  rules: { lockedCommandIds: [], lockedControls: [], lockedProgramIds: [], barredControls: [] },
  benches: demoPlan.benches.map((b) => ({
    ...b,
    devices: b.devices.filter((d) => ['keyboard', 'mouse'].includes(d.deviceId)),
  })),
  arrangements: [{ id: 'now', name: 'Now', isDefault: false, placements, popups: [], accepted: [] }],
  activeArrangementId: 'now',
}
const model = prepare(plan, catalogues)
const { index, reachAt, env } = model
const standards = rows.filter(([, , , key]) => key?.startsWith('Control+')).map(([name]) => command(name).id)
const isHarmful = (c: Command) => c.damage !== undefined && c.damage.level !== 'nuisance'
const isRest = (t: Trigger) => triggerReach(t, model.reachContext)?.verdict === 'rest'

/** What a practitioner would laugh at. */
function absurdities(of: Command, to: Trigger): string[] {
  const held = heldOf(to)
  const pointed = isPointed(to, index.pointing)
  const isClick = 'controlId' in to && ['left', 'right', 'wheel'].includes(to.controlId)
  return [
    ...(isClick ? ['a click or the wheel'] : []),
    ...(standards.includes(of.id) && held.includes('Meta') ? ['Super for a standard command'] : []),
    ...(isHarmful(of) && isRest(to) ? ['harm under a resting finger'] : []),
    ...(isHarmful(of) && pointed && to.kind !== 'stroke' ? ['harm on a button of the mouse'] : []),
  ]
}

const candidates = benchCandidates(index, modifierSets(env.layout.altGraph, 2), (id) =>
  pageFor(id, 'sedge', env),
)
const firstOf = (of: Command): CandidatePlace =>
  rankPlaces(placesOn(of, candidates, reachAt, index, plan.weights)).find(isFree) as CandidatePlace

describe('the first free place', () => {
  test.each(commands.map((c) => [c.name, c] as const))('of “%s” is nothing absurd', (_name, of) => {
    expect(absurdities(of, firstOf(of).trigger)).toEqual([])
  })
  test('of a harmful command is not beside what is used much', () => {
    const placed = { ...plan.arrangements[0]! }
    placed.placements = [...placements, { commandId: 'brush-tool', trigger: chord('KeyG') }]
    const busy = model.withArrangement(placed)
    const clear = commands.find((c) => c.id === 'clear-drawing')!
    const ranked = rankPlaces(placesOn(clear, candidates, reachAt, busy.index, plan.weights))
    const near = ['KeyF', 'KeyH', 'KeyT', 'KeyV', 'KeyB', 'KeyR', 'KeyY', 'Shift+KeyG']
    expect(
      ranked
        .filter(isFree)
        .slice(0, 10)
        .map((p) => p.key as string)
        .filter((key) => near.includes(key)),
    ).toEqual([])
    const beside = ranked.find((p) => p.key === triggerKey(chord('KeyH')))!
    expect(beside.cost.harmMs).toBeGreaterThan(1000)
  })
  test('of a tool that many share the word of is by its own letter', () => {
    const brush = commands.find((c) => c.id === 'brush-tool')!
    const seldom = { ...brush, usesPerHour: 0.5 }
    const letters = index.readerOf(seldom).letters
    expect(letters[0]).toMatchObject({ to: 'b', score: 1 })
    expect(letters.find((l) => l.to === 't')!.score).toBeLessThan(1)
  })
  test('a standard key recalls its command, and moving off it is said', () => {
    const copy = commands.find((c) => c.id === 'copy')!
    expect(index.readerOf(copy).score(chord('KeyC', ['Control']))).toMatchObject({ score: 1 })
    expect(firstOf(copy).leavesStandard).toBe(true)
    const zoom = commands.find((c) => c.id === 'zoom-in')!
    expect(index.mnemonics.standardKeysOf(zoom)).toEqual([])
    expect(firstOf(zoom).leavesStandard).toBe(false)
  })
})

describe('25 moves', () => {
  let answer: SolveAnswer
  const solve = (of: Plan, mostMoves: number): SolveAnswer => {
    const prepared = prepare(of, catalogues, { table: model.table })
    const steps = solveArrangement(
      { model: prepared, clashes: prepareWork(prepared).clashes },
      { ...defaultSolveOptions, moves: 60_000, curve: false, scope: { what: 'everything', mostMoves } },
    )
    let step = steps.next()
    while (step.done !== true) step = steps.next()
    return step.value
  }
  beforeAll(() => {
    answer = solve(plan, 25)
    // a search on a busy machine
  }, 60_000)
  test('hold nothing absurd, and no standard key moves', () => {
    expect(answer.list.moves.length).toBeGreaterThan(15)
    for (const move of answer.list.moves) {
      if (move.to) expect(absurdities(move.command, move.to), move.command.name).toEqual([])
      expect(standards, move.command.name).not.toContain(move.command.id)
    }
  })
  test('standard keys may move once they are unlocked as a group', () => {
    const freed = prepare(setStandardsFree(plan, true), catalogues, { table: model.table })
    const fixedIn = (of: typeof model): number => {
      const { rows: all, problem } = arrangementProblem(
        { model: of, clashes: prepareWork(of).clashes },
        { what: 'everything' },
      )
      return problem.fixed[all.findIndex((r) => r.command.id === 'copy')] as number
    }
    expect(fixedIn(model)).toBe(1)
    expect(fixedIn(freed)).toBe(0)
  })
  test('what is used most stands within reach, and opposites together', () => {
    const at = new Map(answer.placements.map((p) => [p.commandId, p.trigger]))
    const verdictOf = (id: string) => triggerReach(at.get(id)!, model.reachContext)!.verdict
    for (const id of ['brush-tool', 'zoom-in', 'zoom-out', 'eraser-tool', 'larger-brush'])
      expect(['rest', 'easy'], id).toContain(verdictOf(id))
    const bare = (t: Trigger) => ('code' in t ? t.code : 'controlId' in t ? t.controlId : '')
    const beside = (a: string, b: string) => {
      const [p, q] = [at.get(a)!, at.get(b)!].map((t) => env.controls.find((c) => c.code === bare(t)))
      return p && q ? Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm) < 30 : false
    }
    expect(beside('zoom-in', 'zoom-out')).toBe(true)
  })
  test('every listed gain is sure to a degree, and says of how many draws', () => {
    for (const move of answer.list.moves) {
      const doubt = answer.doubts.get(move.id)!
      expect(doubt.draws).toBe(64)
      expect(doubt.lowMs).toBeLessThanOrEqual(doubt.highMs)
      if (doubt.confidence === 'sure') expect(doubt.lowMs).toBeGreaterThan(0)
      if (doubt.confidence !== 'unsure') expect(doubt.holds / doubt.draws).toBeGreaterThanOrEqual(0.7)
    }
  })
  test('learning comes first, and the saving pays for it', () => {
    expect(answer.payBack[0]).toEqual({ day: 0, ms: 0 })
    expect(answer.payBack.at(-1)!.ms).toBeGreaterThan(0)
  })
  test('a command that is hardly used does not move', () => {
    for (const move of answer.list.moves)
      if (move.kind === 'move') expect(move.command.usesPerHour, move.command.name).toBeGreaterThan(0.5)
  })
})
