/** Every code of an error, as docs/errors.md explains them. Programs may rely on them; the sentences may change. */
export const coreErrorCodes = [
  'ASSIGNMENT_SHAPE',
  'BOARD_UNKNOWN',
  'CHAIN_IMPOSSIBLE',
  'CHAIN_NO_CHORD',
  'CHORD_UNREADABLE',
  'CSV_COLUMN_MISSING',
  'CSV_COLUMN_UNKNOWN',
  'CSV_EMPTY',
  'CSV_TOO_LONG',
  'CSV_UNREADABLE',
  'DEVICE_INVALID',
  'DEVICE_MISSING',
  'DEVICE_NOT_A_DEVICE',
  'DEVICE_NOT_JSON',
  'DUMP_UNREADABLE',
  'FILE_MISSING',
  'FILE_TOO_LARGE',
  'FIT_TOO_FEW',
  'FONT_UNREADABLE',
  'GEOMETRY_UNKNOWN',
  'ICON_UNREADABLE',
  'MEASURE_IMPLAUSIBLE',
  'NOTHING_TO_PRINT',
  'OVERLAY_TOO_LARGE',
  'PAPER_UNKNOWN',
  'PLAN_DANGLING',
  'PLAN_EMPTY',
  'PLAN_INVALID',
  'PLAN_NOT_A_PLAN',
  'PLAN_NOT_JSON',
  'PLAN_VERSION',
  'PRINT',
  'PRINTER_FORM',
  'QAP_SHAPE',
  'QAP_UNREADABLE',
  'RASTER_UNREADABLE',
  'RECORD_UNREADABLE',
  'REFERENCE_UNKNOWN',
  'RELAY_NO_CHORD',
  'REST_MISSING',
  'STOCK_UNKNOWN',
  'SVG_UNREADABLE',
  'TABLE_EMPTY',
  'TABLE_TOO_LARGE',
  'TABLE_UNREADABLE',
  'TRIGGER_UNREADABLE',
  'USAGE',
  'USAGE_EMPTY',
  'XKB_UNREADABLE',
] as const

export type CoreErrorCode = (typeof coreErrorCodes)[number]

/** An error that tells what is wrong, where it stands in the user's input, and how to mend it. */
export interface CoreErrorDetail {
  /** path in the user's file or input, `['arrangements', 0, 'name']`, or a line of a CSV: `['line 12', 'trigger']` */
  readonly where: readonly (string | number)[]
  readonly what: string
  readonly remedy: string
}

/** An error that says what is wrong, where, and how to mend it; `code` is one of `coreErrorCodes`, listed in docs/errors.md. */
export class CoreError extends Error {
  override readonly name = 'CoreError'
  readonly code: CoreErrorCode
  readonly detail: CoreErrorDetail

  constructor(code: CoreErrorCode, detail: CoreErrorDetail) {
    super(describe(detail))
    this.code = code
    this.detail = detail
  }
}

const describe = ({ where, what, remedy }: CoreErrorDetail): string =>
  `${where.length > 0 ? `${where.join(' › ')}: ` : ''}${what}. ${remedy}.`
