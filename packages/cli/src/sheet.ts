import { activeArrangement, surroundings, type Plan } from '@reach-plot/core'
import { contents, materials, type LabelRule } from '@reach-plot/core/label-design'
import {
  listOrders,
  makeSheet,
  paperStock,
  sheetKinds,
  triggerList,
  type Sheet,
  type SheetKind,
  type TriggerList,
} from '@reach-plot/core/labels'
import { noAdjust, type LabelFont } from '@reach-plot/core/drawing'
import type { FileOptions } from '@reach-plot/print'
import { icons } from './icons.js'
import { catalogues, usageError } from './io.js'
import { labelFont } from './label-font.js'
import { choice, number, type Options } from './options.js'
import { rasteriser } from './raster.js'

/** Options that say what a sheet shows and what it is printed on. */
export const sheetOptions = [
  'kind',
  'program',
  'context',
  'device',
  'stock',
  'paper',
  'distance',
  'content',
  'material',
  'skip',
  'order',
  'mirror',
  'dpi',
] as const

export const sheetHelp = `[--kind ${sheetKinds.join('|')}] [--program ID] [--context ID] [--device ID] [--stock ID | --paper PWG-NAME] [--distance MM] [--content ${contents.join('|')}] [--material ${materials.join('|')}] [--order ${listOrders.join('|')}] [--skip N] [--mirror yes] [--dpi 203]`

export interface MadeSheet {
  readonly kind: SheetKind
  readonly sheet: Sheet
  readonly font: LabelFont
  readonly dpi: number
  readonly title: string
  readonly fileOptions: FileOptions
}

/** The sheet that the options ask for, of the active arrangement. */
export async function sheetOf(plan: Plan, options: Options): Promise<MadeSheet> {
  const kind = choice('kind', options['kind'], sheetKinds, 'labels')
  const around = surroundings(plan, catalogues)
  const arrangement = activeArrangement(plan)
  const title = `${plan.name}, ${arrangement.name}`
  const { programId, contextId } = front(plan, options, kind)
  const { rule } = plan.labels
  const paper = options['paper']
  const own = paper === undefined ? [] : [{ ...paperStock(paper), id: 'paper' }]
  const changed: LabelRule = {
    ...rule,
    stockId: paper === undefined ? (options['stock'] ?? rule.stockId) : 'paper',
    paper: paper ?? rule.paper,
    cardPaper: paper ?? rule.cardPaper,
    content: choice('content', options['content'], contents, rule.content),
    material: choice('material', options['material'], materials, rule.material),
    mirror:
      options['mirror'] === undefined
        ? rule.mirror
        : choice('mirror', options['mirror'], ['yes', 'no'], 'no') === 'yes',
    readingDistanceMm: number('distance', options['distance'], rule.readingDistanceMm, 200, 2000),
  }
  const design = { ...plan.labels, rule: changed, stocks: [...own, ...plan.labels.stocks] }
  const font = labelFont()
  const dpi = number('dpi', options['dpi'], 203, 72, 1200)
  const sheet = makeSheet(
    { title, placements: arrangement.placements, around, design, icons: icons(design.icons) },
    {
      kind,
      programId,
      contextId,
      deviceId: options['device'] ?? null,
      skip: Math.round(number('skip', options['skip'], 0, 0, 9999)),
      order: choice('order', options['order'], listOrders, 'context'),
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
export function listOf(plan: Plan, options: Options): TriggerList {
  const arrangement = activeArrangement(plan)
  return triggerList(
    `${plan.name}, ${arrangement.name}`,
    arrangement.placements,
    surroundings(plan, catalogues),
    choice('order', options['order'], listOrders, 'context'),
  )
}

/** The program and context in front. Stroke cards are of all programs where none is named, labels of the first. */
function front(plan: Plan, options: Options, kind: SheetKind) {
  const wanted = options['program'] ?? (kind === 'strokes' ? null : (plan.programs[0]?.id ?? null))
  const program = plan.programs.find((p) => p.id === wanted)
  if (wanted !== null && !program)
    throw usageError(
      `there is no program "${wanted}"`,
      `choose one of ${plan.programs.map((p) => p.id).join(', ')}`,
    )
  const contextId = options['context'] ?? null
  const contexts = program ? program.contexts : plan.programs.flatMap((p) => p.contexts)
  if (contextId !== null && !contexts.some((c) => c.id === contextId))
    throw usageError(
      `there is no context "${contextId}"`,
      `choose one of ${contexts.map((c) => c.id).join(', ')}`,
    )
  return { programId: wanted, contextId }
}
