import { isLiveIn, onBench, prepare, type Plan } from '@reach-plot/core'
import { contents, materials, type LabelRule } from '@reach-plot/core/label-design'
import {
  listed,
  listOrders,
  makeSheet,
  paperStock,
  sheetKinds,
  signsOfSheets,
  triggerList,
  type Sheet,
  type SheetKind,
  type TriggerList,
} from '@reach-plot/core/labels'
import { noAdjust, type LabelFont } from '@reach-plot/core/drawing'
import type { FileOptions } from '@reach-plot/print'
import { icons } from './icons.js'
import { catalogues, usageError } from './io.js'
import { named } from './loaded-plan.js'
import { arrangementOf } from './loaded-plan.js'
import { labelFont } from './label-font.js'
import { rasteriser } from './raster.js'
import { choice, choiceOr, number, numberOr, text, yesNo } from './verb.js'

/** Options that say what a sheet shows and what it is printed on. */
export const sheetOptions = {
  kind: choiceOr(sheetKinds, 'labels', 'what is printed'),
  program: text('ID', 'one program'),
  context: text('ID', 'one context'),
  device: text('ID', 'one device'),
  stock: text('ID', 'what labels are printed on'),
  paper: text('PWG-NAME', 'paper in the place of a stock'),
  distance: number(200, 2000, 'reading distance in mm'),
  content: choice(contents, 'what says what a key does'),
  material: choice(materials, 'what the stock is made of'),
  skip: numberOr(0, 0, 9999, 'labels that are used up on the first page'),
  order: choiceOr(listOrders, 'context', 'order of a list'),
  since: text('ARRANGEMENT', 'marks what is new since then, on labels, boards and overlays'),
  mirror: yesNo('reflected, for the back of clear stock'),
  dpi: numberOr(203, 72, 1200, 'dots an inch'),
} as const

export type SheetOptions = { readonly [K in keyof typeof sheetOptions]: (typeof sheetOptions)[K]['fallback'] }

export interface MadeSheet {
  readonly kind: SheetKind
  readonly sheet: Sheet
  readonly font: LabelFont
  readonly dpi: number
  readonly title: string
  readonly fileOptions: FileOptions
}

/** The sheet that the options ask for, of the active arrangement. */
export async function sheetOf(plan: Plan, options: SheetOptions): Promise<MadeSheet> {
  const { kind, dpi } = options
  const { env, arrangement } = prepare(plan, catalogues)
  const title = `${plan.name}, ${arrangement.name}`
  const { programId, contextId } = front(plan, options, kind)
  const { rule } = plan.labels
  const paper = options.paper
  const own = paper === undefined ? [] : [{ ...paperStock(paper), id: 'paper' }]
  const changed: LabelRule = {
    ...rule,
    stockId: paper === undefined ? (options.stock ?? rule.stockId) : 'paper',
    paper: paper ?? rule.paper,
    cardPaper: paper ?? rule.cardPaper,
    content: options.content ?? rule.content,
    material: options.material ?? rule.material,
    mirror: options.mirror ?? rule.mirror,
    readingDistanceMm: options.distance ?? rule.readingDistanceMm,
  }
  const design = { ...plan.labels, rule: changed, stocks: [...own, ...plan.labels.stocks] }
  const before =
    options.since === undefined
      ? undefined
      : onBench(arrangementOf(plan, options.since), plan.activeBenchId).placements
  const font = labelFont(signsOfSheets(plan, env))
  const sheet = makeSheet(
    { title, placements: arrangement.placements, env, design, icons: icons(design.icons), before },
    {
      kind,
      programId,
      contextId,
      deviceId: options.device ?? null,
      skip: Math.round(options.skip),
      order: options.order,
    },
    font,
  )
  const fileOptions: FileOptions = {
    font,
    adjust: { ...noAdjust, mirror: changed.mirror && kind === 'labels' },
    dpi,
    stock: sheet.ground,
    media: '',
    rasterType: 'black_1',
    rasterise: await rasteriser(),
  }
  return { kind, sheet, font, dpi, title, fileOptions }
}

/** The same list as text for files that are read on a screen. */
export function listOf(plan: Plan, options: SheetOptions): TriggerList {
  const { env, arrangement } = prepare(plan, catalogues)
  const { programId, contextId } = front(plan, options, 'list')
  const program = plan.programs.find((p) => p.id === programId)
  const commands = program ? plan.commands.filter((c) => isLiveIn(c, program, contextId)) : plan.commands
  return triggerList(
    `${plan.name}, ${arrangement.name}`,
    listed(arrangement.placements, commands, { programId }),
    env,
    options.order,
  )
}

/** The program and context in front. Stroke cards are of all programs where none is named, labels of the first. */
function front(plan: Plan, options: SheetOptions, kind: SheetKind) {
  // a context says its program where only one has it
  const having = plan.programs.filter((p) => named(p.contexts, options.context ?? ''))
  const byContext = having.length === 1 && options.context !== undefined ? having[0]?.id : undefined
  const ofAll = kind === 'strokes' || kind === 'list' || kind === 'card'
  const wanted = options.program ?? byContext ?? (ofAll ? null : (plan.programs[0]?.id ?? null))
  const program = wanted === null ? undefined : named(plan.programs, wanted)
  if (wanted !== null && !program)
    throw usageError(
      `there is no program "${wanted}"`,
      `choose one of ${plan.programs.map((p) => p.id).join(', ')}`,
    )
  const contexts = program ? program.contexts : plan.programs.flatMap((p) => p.contexts)
  const context = options.context === undefined ? null : named(contexts, options.context)
  if (context === undefined)
    throw usageError(
      `there is no context "${options.context}"`,
      `choose one of ${contexts.map((c) => c.id).join(', ')}`,
    )
  return { programId: program?.id ?? null, contextId: context?.id ?? null }
}
