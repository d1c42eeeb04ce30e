/**
 * A season of invented use of the demo's two programs, row by row, the same for the same seed. Also what the two
 * programs would log themselves: time, program, context, command, how it was called.
 */
import type { Command, Plan, Program } from '@reach-plot/core'

export interface SeasonOptions {
  readonly seed: number
  readonly rows: number
}
export const demoSeason: SeasonOptions = { seed: 20260504, rows: 220_000 }

export const seasonHeading = 'time,program,context,command,how'

/** Mulberry32: small, seeded, good enough for invented data. */
function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), state | 1)
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** Sequences that the surveyor repeats, by program and context, with their share of all steps there. */
const habits: readonly {
  readonly program: string
  readonly context: string
  readonly weight: number
  readonly steps: readonly string[]
}[] = [
  { program: 'Fenmap', context: 'Tracing', weight: 9, steps: ['Add vertex', 'Move vertex', 'Next vertex'] },
  {
    program: 'Fenmap',
    context: 'Tracing',
    weight: 6,
    steps: ['Next vertex', 'Move vertex', 'Next vertex', 'Move vertex', 'Close outline'],
  },
  {
    program: 'Fenmap',
    context: 'Tracing',
    weight: 4,
    steps: ['Hide shape', 'Verify outline', 'Next fault', 'Show all shapes'],
  },
  {
    program: 'Fenmap',
    context: 'Tracing',
    weight: 2,
    steps: ['Autotrace', 'Stop autotrace', 'Simplify', 'Smooth', 'Verify outline'],
  },
  {
    program: 'Fenmap',
    context: 'Tracing',
    weight: 1.5,
    steps: ['Copy attributes', 'Next vertex', 'Paste attributes'],
  },
  {
    program: 'Fenmap',
    context: 'Overview',
    weight: 3,
    steps: ['Next sheet', 'Fit chart', 'Open under pointer'],
  },
  {
    program: 'Fenmap',
    context: 'Overview',
    weight: 1.5,
    steps: ['Mark done', 'Next sheet', 'Check overlaps'],
  },
  {
    program: 'Fenmap',
    context: 'Labelling',
    weight: 4,
    steps: ['Next label', 'Place name', 'Rotate label', 'Larger text'],
  },
  { program: 'Fenmap', context: 'Sheet', weight: 1, steps: ['Add legend', 'Add scale bar', 'Preview print'] },
  {
    program: 'Reedcall',
    context: 'Browse',
    weight: 4,
    steps: ['Next recording', 'Play or pause', 'Mark empty'],
  },
  {
    program: 'Reedcall',
    context: 'Tag',
    weight: 8,
    steps: ['Play or pause', 'Start of tag', 'End of tag', 'Tag call', 'Sure'],
  },
  {
    program: 'Reedcall',
    context: 'Tag',
    weight: 3,
    steps: ['Skip back', 'Play or pause', 'Repeat last tag'],
  },
  {
    program: 'Reedcall',
    context: 'Review',
    weight: 4,
    steps: ['Play reference', 'Compare with reference', 'Agree', 'Next doubtful'],
  },
]
/** Share of the season spent in each context. */
const stays: readonly (readonly [program: string, context: string, share: number])[] = [
  ['Fenmap', 'Tracing', 0.4],
  ['Fenmap', 'Overview', 0.08],
  ['Fenmap', 'Labelling', 0.1],
  ['Fenmap', 'Sheet', 0.02],
  ['Reedcall', 'Browse', 0.1],
  ['Reedcall', 'Tag', 0.2],
  ['Reedcall', 'Review', 0.1],
]

const startOfSeason = Date.UTC(2026, 3, 1, 7, 0, 0)
const dayMs = 86_400_000
/** Rows of a working day, after which the next one begins. */
const rowsADay = 2600
const habitShare = 0.45

/** Something to draw from, with weights. */
function urn<T>(items: readonly T[], weight: (item: T) => number): (random: number) => T {
  const sums: number[] = []
  let sum = 0
  for (const item of items) sums.push((sum += weight(item)))
  return (random) => {
    const at = sums.findIndex((s) => random * sum < s)
    return items[at === -1 ? items.length - 1 : at] as T
  }
}

/**
 * The rows of a season, in pieces of text that together are one CSV file.
 * @param rates  how often each command is drawn, by id; only their proportions count
 */
export function* season(
  plan: Plan,
  rates: Readonly<Record<string, number>>,
  options: SeasonOptions = demoSeason,
): Generator<string> {
  const random = seeded(options.seed)
  const defaults = new Set(plan.arrangements.find((a) => a.isDefault)?.placements.map((p) => p.commandId))
  const named = (name: string): Program => plan.programs.find((p) => p.name === name) as Program
  const stayUrn = urn(stays, ([, , share]) => share)
  const scenes = new Map(
    stays.map(([programName, contextName]) => {
      const program = named(programName)
      const context = program.contexts.find((c) => c.name === contextName)
      const live = plan.commands.filter(
        (c) =>
          c.programId === program.id &&
          (c.contextIds.length === 0 || c.contextIds.includes(context?.id ?? '')),
      )
      const own = habits.filter((h) => h.program === programName && h.context === contextName)
      return [
        `${programName} ${contextName}`,
        {
          live,
          any: urn(live, (c) => (rates[c.id] ?? 0) + 0.05),
          habit: urn(own, (h) => h.weight),
          hasHabit: own.length > 0,
        },
      ] as const
    }),
  )
  const how = (command: Command): string => {
    const draw = random()
    if (!defaults.has(command.id)) return draw < 0.8 ? 'menu' : 'pointer'
    return draw < 0.72 ? 'key' : draw < 0.86 ? 'menu' : 'pointer'
  }
  let timeMs = startOfSeason
  let left = 0
  let stay = stays[0] as (typeof stays)[number]
  let written = 0
  let piece = `${seasonHeading}\n`
  const quoted = (cell: string): string => (/[",\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)
  const write = (command: Command): void => {
    const name = command.parameter === undefined ? command.name : `${command.name}, ${command.parameter}`
    piece += `${new Date(timeMs).toISOString().slice(0, 19)},${stay[0]},${stay[1]},${quoted(name)},${how(command)}\n`
    written++
    // mostly a second or two; now and then a look at the chart
    timeMs += Math.round(random() < 0.9 ? 400 + 1800 * random() : 4000 + 20_000 * random() ** 3)
  }
  while (written < options.rows) {
    if (left <= 0) {
      stay = stayUrn(random())
      left = 40 + Math.floor(160 * random())
      // a pause between stays; every day begins in the morning
      timeMs += 6 * 60_000 + Math.floor(600_000 * random())
      const day = Math.floor(written / rowsADay)
      if (timeMs < startOfSeason + day * dayMs) timeMs = startOfSeason + day * dayMs
    }
    const scene = scenes.get(`${stay[0]} ${stay[1]}`) as NonNullable<ReturnType<typeof scenes.get>>
    const steps = scene.hasHabit && random() < habitShare / 3 ? scene.habit(random()).steps : null
    const commands = steps
      ? steps.flatMap((name) => scene.live.find((c) => c.name === name) ?? [])
      : [scene.any(random())]
    for (const command of commands) if (written < options.rows) write(command)
    left -= commands.length
    if (piece.length > 200_000) {
      yield piece
      piece = ''
    }
  }
  yield piece
}
