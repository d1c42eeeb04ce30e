import { severities, severityWords } from '../clashes/index.js'
import { fingers, verdicts } from '../hand/index.js'
import { dayHours, defaultPayBackDays, type Plan } from '../plan/index.js'
import { triggerName } from '../triggers/index.js'
import {
  fairShares,
  operatorKinds,
  learnerOf,
  operatorMs,
  operatorNames,
  type DayPart,
  type Way,
} from '../work/index.js'
import type { Compared } from './comparison.js'
import { recallOf } from './figures.js'
import type { ReachCount } from './report.js'

/** How a figure came about: the rule, where it is from, and what was put into it. */
export interface Explanation {
  readonly rule: string
  readonly source: string
  /** what the figure is made of: it adds up to it, with a line for the rest, unless the rule says otherwise */
  readonly lines: readonly ExplanationLine[]
  /** the same seen otherwise, or figures beside it */
  readonly besides?: { readonly title: string; readonly lines: readonly ExplanationLine[] }
}

/** One part of a figure. */
export interface ExplanationLine {
  readonly name: string
  readonly detail: string
  readonly value: string
}

/** The largest parts, and one line for the rest. */
function withRest<T>(
  parts: readonly T[],
  valueOf: (part: T) => number,
  lineOf: (part: T) => ExplanationLine,
  write: (sum: number) => string,
): ExplanationLine[] {
  const rest = parts.slice(partsShown)
  return [
    ...parts.slice(0, partsShown).map(lineOf),
    ...(rest.length > 0
      ? [
          {
            name: `${rest.length} more`,
            detail: 'in the same way',
            value: write(rest.reduce((sum, part) => sum + valueOf(part), 0)),
          },
        ]
      : []),
  ]
}

/** A figure by which arrangements are compared. */
export interface Figure {
  readonly id: string
  readonly name: string
  readonly unit: string
  readonly digits: number
  /** which way is better; null where neither is */
  readonly better: 'less' | 'more' | null
  value(compared: Compared, plan: Plan): number | null
  /** from least to most, where the figure rests on something that is not known */
  range?(compared: Compared): readonly [least: number, most: number] | null
  explain(compared: Compared, plan: Plan): Explanation
}

const klm = 'Card, Moran and Newell (1980), keystroke-level model; movements by Fitts (1954); from memory.'
const screening =
  'Moore and Garg (1995), Strain Index; from memory. A screening aid from a model of the hand, not a diagnosis.'
const reachSource =
  'The reach of the hand on this bench; the model and its constants are in docs/hand-model.md.'
const count = (value: number, digits = 1): string => value.toFixed(digits)
const minutesADay = (msPerHour: number, plan: Plan): number => (msPerHour * dayHours(plan).hours) / 60_000
const inWords = ({ work: { operators } }: DayPart): string =>
  operators.map((o) => `${o.kind} ${Math.round(o.ms)}`).join(' + ')
/** Parts that are written out; the others are summed. */
const partsShown = 25

const timeLines = ({ report: { day } }: Compared, plan: Plan): ExplanationLine[] => {
  const minutes = (part: DayPart): number => minutesADay(part.timesPerHour * part.work.ms, plan)
  return withRest(
    day.parts,
    minutes,
    (part) => ({
      name: part.name,
      detail: `${count(part.timesPerHour)} an hour × ${Math.round(part.work.ms)} ms (${inWords(part)})`,
      value: `${count(minutes(part), 2)} min`,
    }),
    (sum) => `${count(sum, 2)} min`,
  )
}

/** Routines with steps at the same time: what they would take one step after the other. */
const overlapped = ({ report: { day } }: Compared, plan: Plan): number =>
  day.parts.reduce((sum, p) => sum + minutesADay(p.timesPerHour * (p.work.oneByOneMs - p.work.ms), plan), 0)

const operatorLines = (compared: Compared, plan: Plan): ExplanationLine[] => {
  const saved = overlapped(compared, plan)
  return [
    ...operatorKinds.map((kind) => ({
      name: `${kind}, ${operatorNames[kind]}`,
      detail: 'all of the day',
      value: `${count(minutesADay(compared.report.day.msByKind[kind], plan), 2)} min`,
    })),
    ...(saved > 0
      ? [
          {
            name: 'Both hands at once',
            detail: 'not in the sum: what steps at the same time save',
            value: `${count(saved, 2)} min`,
          },
        ]
      : []),
  ]
}

const share = (
  id: string,
  name: string,
  better: Figure['better'],
  ways: readonly Way[],
  rule: string,
): Figure => {
  const lines = (compared: Compared, of: readonly Way[]): ExplanationLine[] =>
    of.map((way) => ({
      name: wayNames[way],
      detail: 'share of the uses',
      value: `${count(100 * compared.report.day.shares[way])} %`,
    }))
  return {
    id,
    name,
    unit: '%',
    digits: 0,
    better,
    value: ({ report }) => 100 * ways.reduce((sum, way) => sum + report.day.shares[way], 0),
    explain: (compared) => ({
      rule,
      source: 'Uses an hour of the plan, over all commands.',
      lines: lines(compared, ways),
      besides: {
        title: 'The others',
        lines: lines(
          compared,
          (Object.keys(wayNames) as Way[]).filter((way) => !ways.includes(way)),
        ),
      },
    }),
  }
}

const wayNames: Readonly<Record<Way, string>> = {
  key: 'By keys and buttons',
  pointer: 'By the pointing hand on its device',
  menu: 'Through menus',
}

const strain = (side: 'left' | 'right'): Figure => ({
  id: `strain-${side}`,
  name: `Strain Index, ${side} hand`,
  unit: '',
  digits: 1,
  better: 'less',
  value: ({ report }) => report.day.strain[side].index,
  explain: ({ report }) => ({
    rule: `The product of six multipliers. Up to 3 probably safe, from 7 worth a closer look; here: ${report.day.strain[side].meaning}.`,
    source: screening,
    lines: report.day.strain[side].factors.map((f) => ({
      name: f.name,
      detail: f.value === f.category ? f.value : `${f.value} is ${f.category}`,
      value: `× ${f.multiplier}`,
    })),
  }),
})

const fingerFigure = (side: 'left' | 'right'): Figure => ({
  id: `fingers-${side}`,
  name: `Busiest finger over its share, ${side} hand`,
  unit: '%',
  digits: 0,
  better: 'less',
  value({ report }) {
    const presses = report.day.pressesPerHour[side]
    const fair = fairShares(side, presses)
    const over = fingers.filter((f) => fair[f] > 0).map((f) => presses[f] / fair[f])
    return over.length > 0 ? 100 * Math.max(...over) : null
  },
  explain({ report }) {
    const presses = report.day.pressesPerHour[side]
    const fair = fairShares(side, presses)
    return {
      rule: 'Presses of a finger over its share of all presses of the hand, by tapping ability: 100 % is fair.',
      source: 'Hoke (1922); from memory. The thumb counts as the index finger.',
      lines: fingers.map((f) => ({
        name: f,
        detail: `${count(presses[f], 0)} presses an hour, ${count(fair[f], 0)} would be its share`,
        value: fair[f] > 0 ? `${count((100 * presses[f]) / fair[f], 0)} %` : '–',
      })),
    }
  },
})

const clashFigure = (severity: (typeof severities)[number]): Figure => ({
  id: `clashes-${severity}`,
  name: `Clashes: ${severityWords[severity]}`,
  unit: '',
  digits: 0,
  better: 'less',
  value: ({ report }) => report.clashCounts[severity],
  explain: ({ report }) => ({
    rule: 'Findings of the check of clashes, of this severity.',
    source: 'Catalogues of system keys and the plan; each finding names its evidence on the Clashes screen.',
    lines: report.work.clashes
      .filter((c) => c.severity === severity)
      .map((c) => ({ name: c.kind, detail: c.message, value: '1' })),
  }),
})

const reachNames = {
  rest: 'Commands at rest',
  easy: 'Commands within easy reach',
  stretch: 'Commands at a stretch',
  away: 'Commands that the hand leaves for',
  menu: 'Commands through the menu',
} as const
const reachCount = (verdict: ReachCount): Figure => ({
  id: `reach-${verdict}`,
  name: reachNames[verdict],
  unit: '',
  digits: 0,
  better: verdict === 'away' || verdict === 'menu' ? 'less' : null,
  value: ({ report }) => report.reachCounts[verdict],
  explain: ({ report }) => ({
    rule: 'Commands by the best of their triggers that arrive, whatever their use.',
    source: reachSource,
    lines: report.reached[verdict].map(({ command, trigger }) => ({
      name: command.name,
      detail: `${trigger ? triggerName(trigger, report.work.model.env) : 'no key'}, ${count(command.usesPerHour)} uses an hour`,
      value: '1',
    })),
    besides: {
      title: 'The others',
      lines: Object.entries(report.reachCounts)
        .filter(([name]) => name !== verdict)
        .map(([name, n]) => ({ name: reachNames[name as ReachCount], detail: '', value: String(n) })),
    },
  }),
})

/** Figures in the order in which they are shown. */
const learnerWords = (plan: Plan): string => {
  const { uses, ms } = learnerOf(plan)
  return plan.own?.learning
    ? `${count(uses, 1)} uses with ${count(ms)} ms on top`
    : `${uses} uses with M ${ms} ms on top`
}

const learnerSource = ({ own }: Plan): string =>
  own?.learning
    ? `Your own practice, ${own.answers} answers: between ${count(100 * own.learning.low)} and ${count(100 * own.learning.high)} % of it nine times of ten.`
    : 'Assumed.'

export const figureList: readonly Figure[] = [
  {
    id: 'time',
    name: 'Command time a day',
    unit: 'min',
    digits: 1,
    better: 'less',
    value: ({ report }, plan) => minutesADay(report.day.msPerHour, plan),
    explain: (compared, plan) => ({
      rule: `Every routine as often as it is done, every command as often as it is used outside routines, over ${dayHours(plan).hours.toFixed(2)} active hours a day. Uses that the log shows through the menu although the command had a key stay there, with any arrangement. A trigger whose press never arrives counts as the menu: M ${operatorMs.M} ms once (menus known ${plan.menusKnown ?? 'as usual'}), then P ${operatorMs.P} + B ${operatorMs.B} ms for each level.`,
      source: klm,
      lines: timeLines(compared, plan),
      besides: { title: 'The same by what is done', lines: operatorLines(compared, plan) },
    }),
  },
  {
    id: 'saved',
    name: 'Saved a day against the first',
    unit: 'min',
    digits: 1,
    better: 'more',
    value: ({ saved }) => saved?.minutes ?? null,
    range: ({ saved }) => (saved ? [saved.leastMinutes, saved.mostMinutes] : null),
    explain: ({ saved }) => ({
      rule: 'The time of a day with the first arrangement less that with this one. The range is over how well the menus are known (by heart, one look for each walk through a menu, or one for each level), and 90 % of how sure the rates are.',
      source: klm,
      lines: saved
        ? [
            {
              name: 'From commands that had no key',
              detail: 'each by itself',
              value: `${count(saved.fromUnkeyedMinutes, 2)} min`,
            },
            {
              name: 'From all others',
              detail: 'and from routines',
              value: `${count(saved.minutes - saved.fromUnkeyedMinutes, 2)} min`,
            },
          ]
        : [],
      ...(saved && {
        besides: {
          title: 'Over how well menus are known',
          lines: [
            { name: 'Least', detail: '', value: `${count(saved.leastMinutes)} min` },
            { name: 'Most', detail: '', value: `${count(saved.mostMinutes)} min` },
          ],
        },
      }),
    }),
  },
  {
    id: 'trips',
    name: 'Trips of a hand an hour',
    unit: '',
    digits: 0,
    better: 'less',
    value: ({ report }) => report.day.tripsPerHour,
    explain: ({ report }) => ({
      rule: 'Each time that a hand leaves its home, or the pointing hand what it holds, and comes back.',
      source: klm,
      lines: withRest(
        report.day.parts
          .filter((p) => p.work.trips > 0)
          .sort((a, b) => b.timesPerHour * b.work.trips - a.timesPerHour * a.work.trips),
        (p) => p.timesPerHour * p.work.trips,
        (p) => ({
          name: p.name,
          detail: `${count(p.timesPerHour)} an hour × ${p.work.trips}`,
          value: count(p.timesPerHour * p.work.trips, 2),
        }),
        (sum) => count(sum, 2),
      ),
    }),
  },
  {
    id: 'near',
    name: 'Uses at rest or easy',
    unit: '%',
    digits: 0,
    better: 'more',
    value: ({ report }) => 100 * report.figures.nearShare,
    explain: ({ report }) => ({
      rule: 'Share of all uses whose best trigger the hand makes at rest or with ease.',
      source: reachSource,
      lines: (['rest', 'easy'] as const).map((verdict) => ({
        name: reachNames[verdict],
        detail: `share of the uses; ${report.reachCounts[verdict]} commands`,
        value: `${count(100 * report.useShares[verdict], 2)} %`,
      })),
      besides: {
        title: 'The others',
        lines: (['stretch', 'away', 'menu'] as const).map((verdict) => ({
          name: reachNames[verdict],
          detail: `share of the uses; ${report.reachCounts[verdict]} commands`,
          value: `${count(100 * report.useShares[verdict], 2)} %`,
        })),
      },
    }),
  },
  {
    id: 'mnemonic',
    name: 'Mnemonic score',
    unit: '',
    digits: 2,
    better: 'more',
    value: ({ report }) => report.figures.mnemonicMean,
    explain({ report: { work } }, plan) {
      const recalls = recallOf(
        plan.commands,
        (id) => work.context.triggersOf(id),
        (command) => work.model.index.readerOf(command),
      )
      const whole = recalls.reduce((sum, r) => sum + r.weight, 0)
      const partOf = ({ weight, score }: (typeof recalls)[number]): number => (weight * score) / whole
      return {
        rule: 'Mean score of the best recalled trigger of each placed command, weighted by use. Each line is a score times its share of the uses, those first that lose most.',
        source: 'Scores of the rules are assumed; only their order is common practice.',
        lines: withRest(
          recalls,
          partOf,
          (r) => ({
            name: r.command.name,
            detail: `${count(r.score, 2)} × ${count((100 * r.weight) / whole)} %: ${r.reason}`,
            value: count(partOf(r), 4),
          }),
          (sum) => count(sum, 4),
        ),
      }
    },
  },
  ...([...verdicts, 'menu'] as const).map(reachCount),
  ...severities.map(clashFigure),
  strain('left'),
  strain('right'),
  fingerFigure('left'),
  fingerFigure('right'),
  share(
    'by-keys',
    'Uses by keys and buttons',
    null,
    ['key'],
    'Uses given by keys and buttons, over all uses.',
  ),
  share(
    'by-pointer',
    'Uses by the pointing hand',
    null,
    ['pointer'],
    'Uses given by strokes and buttons of the pointing hand, over all uses.',
  ),
  share(
    'by-menu',
    'Uses through menus',
    'less',
    ['menu'],
    'Uses of commands without a key that arrives, and those that the log shows through the menu although there is a key, over all uses.',
  ),
  {
    id: 'changes',
    name: 'Commands to relearn',
    unit: '',
    digits: 0,
    better: null,
    value: ({ changes }) => changes.length,
    explain: ({ changes }) => ({
      rule: 'Commands whose triggers differ from those of the first arrangement.',
      source: 'The two arrangements.',
      lines: changes.map((c) => ({ name: c.command.name, detail: c.kind, value: '1' })),
    }),
  },
  {
    id: 'learning',
    name: 'Time to learn, once',
    unit: 'min',
    digits: 0,
    better: null,
    value: ({ learningMs }) => learningMs / 60_000,
    explain: ({ learning, learningMs, paysAfterDays }, plan) => ({
      rule: `${learnerWords(plan)} for each command on a new place, half of them where the place recalls the name, and no more than there are in ${plan.payBackDays ?? defaultPayBackDays} days. ${
        paysAfterDays === null || learningMs === 0
          ? ''
          : `What is saved has paid for it after ${count(paysAfterDays)} days.`
      }`,
      source: learnerSource(plan),
      lines: withRest(
        learning.filter((l) => l.ms > 0),
        (l) => l.ms / 60_000,
        (l) => ({
          name: l.command.name,
          detail: `${count(l.uses)} uses with ${count(learnerOf(plan).ms)} ms on top`,
          value: `${count(l.ms / 60_000, 2)} min`,
        }),
        (sum) => `${count(sum, 2)} min`,
      ),
    }),
  },
]
