import type { CommandId } from '../ids.js'
import type { ProgramId } from '../ids.js'
import { isKeyboard, isPointingDevice, pagesOf, type Device } from '../bench/index.js'
import { isLiveIn, type Command } from '../commands/index.js'
import {
  calibrationPage,
  papers,
  paperSizeMm,
  stockOf,
  white,
  type Colour,
  type Document,
  type Drawing,
  type LabelFont,
  type Stock,
} from '../drawing/index.js'
import { CoreError } from '../errors.js'
import { defaultChangedColour, groundOf, type LabelDesign } from '../label-design/index.js'
import type { Environment } from '../model/index.js'
import { boardSheet } from './board-sheet.js'
import { deckFaces, deckPage, defaultFaceOptions, type DeckFace } from './deck.js'
import type { IconSet } from './icon-set.js'
import { labelPages, makeLabels, type LabelSet } from './labels.js'
import { foldedCard, listSheet } from './list-sheet.js'
import { triggerList, type ListOrder } from './list.js'
import { strokeCards, strokeSets } from './stroke-card.js'
import { overlaySheet } from './overlay-sheet.js'
import { changedKey, type LabelSource } from './texts.js'

export const sheetKinds = [
  'labels',
  'deck',
  'strokes',
  'board',
  'overlay',
  'list',
  'card',
  'calibration',
] as const
/** Labels for key tops, pictures for a deck, stroke cards, the whole board, an overlay in one piece, a list, a folded card, a calibration page. */
export type SheetKind = (typeof sheetKinds)[number]

/** What a sheet is made from. */
export interface SheetSource {
  /** plan and arrangement in words */
  readonly title: string
  readonly placements: LabelSource['placements']
  readonly env: Environment
  readonly design: LabelDesign
  readonly icons: IconSet
  /** what was before; commands that stand elsewhere now are marked in the rule's colour */
  readonly before?: LabelSource['placements'] | undefined
}

export interface SheetChoice {
  readonly kind: SheetKind
  /** for labels and boards: the program whose commands are printed, or null for the first */
  readonly programId: ProgramId | null
  /** for labels, boards and stroke cards: one context, or null for all */
  readonly contextId: string | null
  /** for labels, decks and boards: one device; null for all that carry labels, or the first */
  readonly deviceId: string | null
  /** labels that are used up on the first page */
  readonly skip: number
  /** for lists and folded cards */
  readonly order: ListOrder
}

export interface Sheet {
  readonly document: Document
  readonly stock: Stock
  /** what is behind the ink, for pictures of one ink */
  readonly ground: Colour
  /** what could not be printed legibly, and why */
  readonly unreadable: readonly { readonly what: string; readonly reason: string }[]
  /** the labels one by one, where the sheet has labels */
  readonly labels: LabelSet | null
  /** the buttons one by one, where the sheet shows a deck */
  readonly faces: readonly DeckFace[] | null
}

/** Devices whose controls take a label: on the bench, not in the pointing hand, without screens of their own. */
export const labelledDevices = (env: Environment): Device[] =>
  (env.devices ?? []).filter(
    (d) =>
      !isPointingDevice(d) &&
      pagesOf(d).length === 0 &&
      env.controls.some((c) => c.id.startsWith(`${d.id}/`)),
  )

/** Devices for which an overlay is made, keyboards last: few papers are as wide. */
export const overlayDevices = (env: Environment): Device[] =>
  labelledDevices(env).toSorted((a, b) => Number(isKeyboard(a)) - Number(isKeyboard(b)))

/** Devices whose buttons show pictures, page by page. */
export const deckDevices = (env: Environment): Device[] =>
  (env.devices ?? []).filter((d) => pagesOf(d).length > 0)

/**
 * @throws CoreError `NOTHING_TO_PRINT` when the choice has nothing to show, `STOCK_UNKNOWN`, `PAPER_UNKNOWN`
 */
export function makeSheet(source: SheetSource, choice: SheetChoice, font: LabelFont): Sheet {
  const { env, design, placements, icons } = source
  const { rule } = design
  const isOnLabels = choice.kind === 'labels' || choice.kind === 'calibration'
  const stock = isOnLabels
    ? stockOf(rule.stockId, design.stocks)
    : paperStock(choice.kind === 'strokes' ? rule.cardPaper : rule.paper)
  const plain = { stock, ground: white as Colour, unreadable: [], labels: null, faces: null }
  const commands = commandsOf(env, choice)
  const changed = changedSince(source)
  const from: LabelSource = { ...env, placements, commands, controls: env.controls, design, icons, changed }
  switch (choice.kind) {
    case 'labels':
      return labelsSheet(source, choice, from, stock, font)
    case 'deck':
      return deckSheet(from, choice, env, plain, font)
    case 'strokes': {
      const programs = env.programs.filter((p) => choice.programId === null || p.id === choice.programId)
      const sets = strokeSets({ ...from, commands: env.commands }, programs).filter(
        (s) => choice.contextId === null || s.context.id === choice.contextId,
      )
      if (sets.length === 0)
        throw nothing(
          'no stroke carries a command here',
          'place commands on strokes first, or choose another context',
        )
      const cards = strokeCards(sets, stock, design, font)
      const unreadable = cards.unreadable.map((what) => ({
        what,
        reason: 'There is no room for its text on this card. Choose a larger paper, or write a short text.',
      }))
      return { ...plain, document: { ...cards, title: source.title }, unreadable }
    }
    case 'board': {
      const device = pick(env.devices ?? [], choice.deviceId)
      return { ...plain, document: boardSheet(device, from, source.title, stock, font) }
    }
    case 'overlay': {
      const device = pick(overlayDevices(env), choice.deviceId)
      return { ...plain, ...overlaySheet(device, from, source.title, stock, font) }
    }
    case 'list':
    case 'card': {
      const list = triggerList(source.title, listed(placements, commands, choice), env, choice.order)
      if (list.sections.length === 0)
        throw nothing('no command has a trigger here', 'place a command first, or choose another context')
      const make = choice.kind === 'list' ? listSheet : foldedCard
      return { ...plain, document: make(list, stock, font) }
    }
    case 'calibration':
      return { ...plain, document: calibrationPage(stock, font) }
  }
}

/** Commands on triggers that were not there before; undefined where nothing is marked. */
function changedSince({ before, placements, design }: SheetSource): LabelSource['changed'] {
  if (!before) return undefined
  const keyOf = (p: SheetSource['placements'][number]): string => changedKey(p.commandId, p.trigger)
  const old = new Set(before.map(keyOf))
  const keys = new Set(placements.map(keyOf).filter((key) => !old.has(key)))
  return { keys, colour: design.rule.changedColour ?? defaultChangedColour }
}

/** What a list is of: all of the arrangement, or one program or context where it is chosen. */
export const listed = <P extends { readonly commandId: CommandId }>(
  placements: readonly P[],
  commands: readonly Command[],
  { programId }: Pick<SheetChoice, 'programId'>,
): readonly P[] => {
  if (programId === null) return placements
  const ids = new Set(commands.map((c) => c.id))
  return placements.filter((p) => ids.has(p.commandId))
}

/** A sheet of paper by its PWG name. @throws CoreError `PAPER_UNKNOWN` */
export function paperStock(media: string): Stock {
  paperSizeMm(media)
  return { kind: 'sheet', id: media, name: papers.find((p) => p.id === media)?.name ?? media, media }
}

const nothing = (what: string, remedy: string): CoreError =>
  new CoreError('NOTHING_TO_PRINT', { where: [], what, remedy })

function pick(devices: readonly Device[], id: string | null): Device {
  const device = id === null ? devices[0] : devices.find((d) => d.id === id)
  if (!device)
    throw nothing(
      id === null ? 'there is no such device' : `there is no device "${id.slice(0, 60)}"`,
      devices.length > 0
        ? `choose one of ${devices.map((d) => d.id).join(', ')}`
        : 'put one on the bench first',
    )
  return device
}

/** The commands of the program and context that the sheet is for. */
function commandsOf(env: Environment, { programId, contextId }: SheetChoice): Command[] {
  const program = programId === null ? env.programs[0] : env.programs.find((p) => p.id === programId)
  return program ? env.commands.filter((c) => isLiveIn(c, program, contextId)) : []
}

function labelsSheet(
  { title, env, design }: SheetSource,
  choice: SheetChoice,
  from: LabelSource,
  stock: Stock,
  font: LabelFont,
): Sheet {
  const devices = new Set(labelledDevices(env).map((d) => d.id))
  const controls = env.controls.filter((c) => {
    const deviceId = c.id.split('/')[0] as string
    return devices.has(deviceId) && (choice.deviceId === null || deviceId === choice.deviceId)
  })
  const labels = makeLabels({ ...from, controls }, font)
  const { rule } = design
  const laid = labelPages(labels, rule, stock, { skip: choice.skip, note: title }, font)
  const legends = new Map(labels.labels.map((l) => [l.controlId, l.legend]))
  return {
    document: { title, pages: laid.pages },
    stock,
    ground: groundOf(rule.material, rule.keyColour),
    labels,
    faces: null,
    unreadable: [
      ...labels.unreadable.map((u) => ({ what: u.legend, reason: u.reason })),
      ...laid.tooLarge.map((id) => ({
        what: legends.get(id) ?? id,
        reason: 'It is larger than the stock. Choose a larger one.',
      })),
    ],
  }
}

function deckSheet(
  from: LabelSource,
  choice: SheetChoice,
  env: Environment,
  plain: Omit<Sheet, 'document'>,
  font: LabelFont,
): Sheet {
  const device = pick(deckDevices(env), choice.deviceId)
  const readingDistanceMm = from.design.rule.readingDistanceMm
  const source = { ...from, commands: env.commands }
  const faces = deckFaces(device, source, { ...defaultFaceOptions, readingDistanceMm }, font)
  return {
    ...plain,
    document: {
      title: device.name,
      pages: pagesOf(device).map((page): Drawing => deckPage(device, page.id, faces)),
    },
    faces,
    unreadable: faces
      .filter((face) => face.reason !== '')
      .map((face) => ({ what: `${face.pageName}, ${face.controlId}`, reason: face.reason })),
  }
}
