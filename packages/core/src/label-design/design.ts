import { commandIdSchema } from '../ids.js'
import { z } from '../zod.js'
import { cutKinds, stockFault, stockSchema } from '../drawing/index.js'
import { modifiers } from '../triggers/index.js'
import { materials } from './contrast.js'
import { ownIconSchema } from './icon.js'

export const contents = ['text', 'icon-text', 'icon'] as const
/** What says what a key does: words, an icon with words under it, an icon alone. */
export type Content = (typeof contents)[number]

export const levelForms = ['lines', 'places'] as const
/** Several levels on one key top: one under the other, or each in a corner of its own. */
export type LevelForm = (typeof levelForms)[number]

export const shapes = ['key', 'rect', 'round'] as const

const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'must be a colour such as #16283a')
const marginMm = z.number().min(0).max(10)

/** How all labels are made, unless a key says otherwise. */
export const labelRuleSchema = z.strictObject({
  content: z.enum(contents),
  /** the chord in words under each command, in place of the modifiers' signs */
  showChord: z.boolean(),
  /** what is printed on the key itself */
  showLegend: z.boolean(),
  levels: z.enum(levelForms),
  /** levels with these held are left out */
  without: z.array(z.enum(modifiers)).max(modifiers.length),
  /** as the key top is, or always of one shape */
  shape: z.enum(shapes),
  /** how much smaller than the key top on each side, mm */
  marginMm,
  material: z.enum(materials),
  ink: colour,
  /** of what is new since another arrangement, where that is shown; a dark orange where left out */
  changedColour: colour.optional(),
  /** behind clear stock */
  keyColour: colour,
  readingDistanceMm: z.number().min(200).max(2000),
  stockId: z.string().min(1).max(60),
  /** PWG 5101.1 name of the paper of boards, lists and folded cards */
  paper: z.string().max(100),
  /** and of stroke cards */
  cardPaper: z.string().max(100),
  cut: z.enum(cutKinds),
  mirror: z.boolean(),
})
export type LabelRule = z.infer<typeof labelRuleSchema>

/** What one command says on one key, other than on the rest; what is left out is as on the others. */
export const keyWordsSchema = z.strictObject({
  commandId: commandIdSchema,
  text: z.string().min(1).max(120).optional(),
  short: z.string().min(1).max(60).optional(),
  icon: z.string().min(1).max(120).optional(),
})
export type KeyWords = z.infer<typeof keyWordsSchema>

/** What one key has of its own. */
export const keyLabelSchema = z.strictObject({
  /** `device/control` */
  controlId: z.string().min(3).max(170),
  content: z.enum(contents).optional(),
  shape: z.enum(shapes).optional(),
  marginMm: marginMm.optional(),
  /** a size of its own instead of the key top's */
  widthMm: z.number().min(4).max(400).optional(),
  heightMm: z.number().min(4).max(400).optional(),
  /** the one level that the label stands for; all where left out */
  level: z.array(z.enum(modifiers)).max(modifiers.length).optional(),
  ink: colour.optional(),
  keyColour: colour.optional(),
  /** not printed */
  isHidden: z.boolean().optional(),
  words: z.array(keyWordsSchema).max(100).optional(),
})
export type KeyLabel = z.infer<typeof keyLabelSchema>

/** What a plan says about its labels. */
export const labelDesignSchema = z.strictObject({
  rule: labelRuleSchema,
  keys: z.array(keyLabelSchema).max(5000),
  /** texts for labels in place of the commands' names */
  texts: z
    .array(z.strictObject({ commandId: commandIdSchema, text: z.string().min(1).max(120) }))
    .max(20_000),
  icons: z.array(ownIconSchema).max(500),
  stocks: z
    .array(
      stockSchema.superRefine((stock, context) => {
        try {
          const fault = stockFault(stock)
          if (fault !== null) context.addIssue({ code: 'custom', message: fault })
        } catch (error) {
          context.addIssue({ code: 'custom', path: ['media'], message: (error as Error).message })
        }
      }),
    )
    .max(100),
})
export type LabelDesign = z.infer<typeof labelDesignSchema>

/** Lengths are assumed but for the reading distance, at which a keyboard usually lies. */
export const defaultLabelRule: LabelRule = {
  content: 'text',
  showChord: false,
  showLegend: true,
  levels: 'lines',
  without: [],
  shape: 'key',
  marginMm: 1.5,
  material: 'white',
  ink: '#000000',
  keyColour: '#22262a',
  readingDistanceMm: 500,
  stockId: 'a4',
  paper: 'iso_a4_210x297mm',
  cardPaper: 'iso_a6_105x148mm',
  cut: 'outline',
  mirror: false,
}

/** Dark orange: 5.5 to 1 on white, and told from black by those who see no red. */
export const defaultChangedColour = '#a8480a'

export const defaultLabelDesign: LabelDesign = {
  rule: defaultLabelRule,
  keys: [],
  texts: [],
  icons: [],
  stocks: [],
}
