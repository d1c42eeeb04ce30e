/** `npm run demo`: builds the sample plan from the CSV files beside it, with usage from the season of `season.ts`. */
import { readFileSync, writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import {
  acceptUsage,
  chord,
  commandKinds,
  damageLevels,
  emptyPlan,
  noMemory,
  noRules,
  parseTrigger,
  readCommandCsv,
  readPlan,
  routineFrom,
  usageReader,
  writePlan,
  type Chord,
  type Command,
  type Placement,
  type Plan,
} from '@reach-plot/core'
import { defaultLabelDesign, defaultLabelRule, type LabelDesign } from '@reach-plot/core/label-design'
import type { Stock } from '@reach-plot/core/drawing'
import { benches, devices, popups } from './desk.js'
import { season } from './season.js'

type Row = Readonly<Record<string, string>>
const here = (name: string): URL => new URL(name, import.meta.url)
const rowsOf = (name: string): Row[] =>
  Papa.parse<Row>(readFileSync(here(name), 'utf8'), { header: true, skipEmptyLines: true }).data

const sources = ['fenmap.csv', 'reedcall.csv'].flatMap(rowsOf)
const commandCsv = Papa.unparse(sources.map(({ default: _default, draft: _draft, ...rest }) => rest))
const read = readCommandCsv(commandCsv, { programs: [], commands: [] }, 'demo')
if (read.bad.length > 0) throw new Error(JSON.stringify(read.bad, null, 1))

/** Contexts in which text can be typed, and those that can be live together. */
const typing = new Set(['Labelling'])
const overlapping: readonly (readonly [string, string])[] = [
  ['overview', 'tracing'],
  ['browse', 'tag'],
]
const programs = read.programs.map((program) => ({
  ...program,
  ...(program.id === 'fenmap' && {
    menuChord: chord('F10'),
    drags: [{ contextId: 'tracing', modifier: 'Shift' as const, does: 'keeps the line straight' }],
  }),
  ...(program.id === 'reedcall' && { host: 'browser' as const }),
  ...(program.id === 'fenmap' && { frees: ['Control+wheel'] }),
  contexts: program.contexts.map((context) => ({
    ...context,
    typing: typing.has(context.name),
    overlaps: overlapping.flatMap(([a, b]) =>
      context.id === a && program.contexts.some((c) => c.id === b) ? [b] : [],
    ),
  })),
}))

/** The command that a row of another file names, by its menu path where the name alone does not tell. */
function named(row: Row): Command {
  const found = read.commands.filter(
    (c) =>
      c.name === row['command'] &&
      programs.find((p) => p.id === c.programId)?.name === row['program'] &&
      (!row['menu'] || c.menu.join(' > ') === row['menu']),
  )
  if (found.length !== 1) throw new Error(`${found.length} commands fit ${JSON.stringify(row)}`)
  return found[0] as Command
}

const facts = new Map(rowsOf('facts.csv').map((row) => [named(row).id, row]))
const withFacts = (command: Command): Command => {
  const row = facts.get(command.id)
  if (!row) return command
  const level = damageLevels.find((d) => d === row['damage'])
  return {
    ...command,
    kind: commandKinds.find((k) => k === row['kind']) ?? 'once',
    ...(row['parameter'] && { parameter: row['parameter'] }),
    ...(level && { damage: { level, wayOut: row['wayOut'] ?? '' } }),
    ...(row['icon'] && { icon: row['icon'] }),
    ...(row['siblings'] && {
      siblingIds: row['siblings'].split(';').map((name) => named({ ...row, command: name, menu: '' }).id),
    }),
  }
}

const placements = (column: 'default' | 'draft'): Placement[] =>
  sources.flatMap((source, i) =>
    !source[column]
      ? []
      : [
          {
            commandId: (read.rows[i] as (typeof read.rows)[number]).command.id,
            trigger: parseTrigger(source[column]),
          },
        ],
  )
/** Beside the keyboard: triggers of the other devices, and what they send. */
const onDevices = rowsOf('triggers.csv').map((row): Placement => ({
  commandId: named(row).id,
  trigger: parseTrigger(row['trigger'] ?? ''),
  ...(row['sends'] && { sends: row['sends'].split(' ').map((text) => parseTrigger(text) as Chord) }),
}))

const idOf = (program: string, command: string): string => named({ program, command }).id
/** Ideas that the surveyor has in both programs, beside those that their names tell. */
const sameIdeas = [
  ['Undo', 'Undo tag change'],
  ['Redo', 'Redo tag change'],
  ['Save chart', 'Save session'],
  ['Find feature', 'Find recording'],
  ['Zoom in', 'Zoom time in'],
  ['Zoom out', 'Zoom time out'],
  ['Preferences', 'Settings'],
  ['Delete', 'Delete recording'],
  ['Mark done', 'Agree'],
].map(([fenmap, reedcall]) => [idOf('Fenmap', fenmap as string), idOf('Reedcall', reedcall as string)])

const hints: Readonly<Record<string, NonNullable<Command['hints']>>> = {
  [idOf('Fenmap', 'Cut')]: [{ sign: 'X', kind: 'shape', why: 'open scissors' }],
  [idOf('Reedcall', 'Sure')]: [{ sign: 'J', kind: 'idea', why: '“ja” in the field book' }],
}

/** The surveyor's own sign for the tide line: a staff with marks and the water at its foot. */
const tideStaff: LabelDesign['icons'][number] = {
  id: 'own-tide-staff',
  name: 'tide staff',
  units: 24,
  paths: [
    { d: 'M12 3 L12 17', strokeUnits: 2 },
    { d: 'M12 5 L16 5 M12 9 L15 9 M12 13 L16 13', strokeUnits: 2 },
    { d: 'M3 19 C6 16 9 22 12 19 C15 16 18 22 21 19', strokeUnits: 2 },
  ],
}

const fieldLabels: Stock = {
  kind: 'grid',
  id: 'own-1',
  name: 'Field office labels, 6 x 14, 24 x 16 mm',
  media: 'iso_a4_210x297mm',
  rows: 14,
  columns: 6,
  labelWidthMm: 24,
  labelHeightMm: 16,
  pitchXMm: 30,
  pitchYMm: 19,
  leftMm: 18,
  topMm: 17,
  round: false,
}

const plan: Plan = {
  ...emptyPlan(),
  name: 'Coastal survey desk',
  layoutId: 'de',
  devices,
  benches,
  programs,
  commands: read.commands
    .map(withFacts)
    .map((c) => (hints[c.id] ? { ...c, hints: hints[c.id] } : c))
    .map((c) => (c.id === idOf('Fenmap', 'Tide line') ? { ...c, icon: tideStaff.id } : c)),
  rules: {
    ...noRules,
    lockedCommandIds: [idOf('Fenmap', 'Undo')],
    barredControls: ['F1'],
  },
  memory: { ...noMemory, sameIdeas },
  labels: {
    ...defaultLabelDesign,
    rule: { ...defaultLabelRule, content: 'icon-text' },
    texts: [{ commandId: idOf('Fenmap', 'Select none'), text: 'None' }],
    icons: [tideStaff],
    stocks: [fieldLabels],
    keys: [{ controlId: 'pad/k3', shape: 'round' }],
  },
  arrangements: [
    {
      id: 'defaults',
      name: 'Program defaults',
      isDefault: true,
      placements: placements('default'),
      popups: [],
      accepted: [],
    },
    {
      id: 'draft-1',
      name: 'Field season, draft 1',
      isDefault: false,
      placements: [...placements('draft'), ...onDevices],
      popups,
      accepted: [],
    },
  ],
  activeBenchId: 'desk',
  activeArrangementId: 'draft-1',
}

// The season is drawn from the rates in the CSV files; what its log shows then stands in the plan.
const reader = usageReader(plan, 'season.csv')
const rates = Object.fromEntries(plan.commands.map((c) => [c.id, c.usesPerHour]))
writeFileSync(here('rates.json'), `${JSON.stringify(rates, null, 1)}\n`)
for (const piece of season(plan, rates)) reader.push(piece)
const report = reader.finish()
if (report.badRows > 0) throw new Error(JSON.stringify(report.reasons, null, 1))
// its weeks are left out, which would double the file: reading the season in the app brings them
const { usage, commands } = acceptUsage({ ...report, weeks: [] }, plan.commands)
const rounded = (uses: number): number => (uses >= 10 ? Math.round(uses) : Math.round(uses * 10) / 10)
const routineNames = ['Trace and check', 'Tag one call']
const routines = [
  report.sequences.find((s) => s.programId === 'fenmap' && s.commandIds.includes('fenmap-hide-shape')),
  report.sequences.find(
    (s) =>
      s.programId === 'reedcall' &&
      s.commandIds[0] === 'reedcall-play-or-pause' &&
      s.commandIds.includes('reedcall-tag-call'),
  ),
].flatMap((s, i) =>
  s ? [routineFrom(s, report.activeHours, `routine-${i + 1}`, routineNames[i] as string)] : [],
)

/** What a log does not tell: where the person points, drags and types between commands. */
const command = (commandId: string) => ({ kind: 'command', commandId }) as const
const point = { kind: 'point' } as const
routines.push(
  {
    id: 'routine-3',
    name: 'Trace and close an outline',
    programId: 'fenmap',
    steps: [
      command('fenmap-add-vertex'),
      point,
      point,
      command('fenmap-next-vertex'),
      command('fenmap-move-vertex'),
      { kind: 'drag' },
      command('fenmap-close-outline'),
    ],
    timesPerHour: 14,
  },
  {
    id: 'routine-4',
    name: 'Place and size a name',
    programId: 'fenmap',
    steps: [
      command('fenmap-place-name'),
      point,
      { kind: 'type', characters: 9 },
      command('fenmap-larger-text'),
      command('fenmap-rotate-label'),
    ],
    timesPerHour: 9,
  },
)

const finished: Plan = {
  ...plan,
  usage,
  routines,
  commands: commands.map((c) => ({ ...c, usesPerHour: rounded(c.usesPerHour) })),
}
// read back, so that the file's fields stand in the order in which the app writes them
const text = writePlan(readPlan(writePlan(finished), 'demo.reachplot.json'))
writeFileSync(here('demo.reachplot.json'), text)
console.log(
  `${plan.commands.length} commands, ${plan.arrangements.map((a) => `${a.name}: ${a.placements.length}`).join(', ')}; ` +
    `${report.goodRows} rows of usage in ${report.activeHours.toFixed(0)} h, ${report.sequences.length} sequences`,
)
