/** An error that tells what is wrong, where it stands in the user's input, and how to mend it. */
export interface CoreErrorDetail {
  /** path in the user's file or input, `['arrangements', 0, 'name']`, or a line of a CSV: `['line 12', 'trigger']` */
  readonly where: readonly (string | number)[]
  readonly what: string
  readonly remedy: string
}

export class CoreError extends Error {
  override readonly name = 'CoreError'
  readonly code: string
  readonly detail: CoreErrorDetail

  constructor(code: string, detail: CoreErrorDetail) {
    super(describe(detail))
    this.code = code
    this.detail = detail
  }
}

const describe = ({ where, what, remedy }: CoreErrorDetail): string =>
  `${where.length > 0 ? `${where.join(' › ')}: ` : ''}${what}. ${remedy}.`
