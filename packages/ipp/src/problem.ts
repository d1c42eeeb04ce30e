export type IppProblemCode =
  /** the address cannot be one of a printer */
  | 'ADDRESS'
  /** nothing was sent: the printer does not answer */
  | 'UNREACHABLE'
  /** the line broke while something was being sent: the printer may have it or not */
  | 'BROKEN'
  /** what answered is no IPP printer */
  | 'NOT_IPP'
  /** the printer says no */
  | 'REFUSED'

/** Something that went wrong between here and a printer, in words for the person. */
export class IppProblem extends Error {
  override readonly name = 'IppProblem'
  readonly code: IppProblemCode
  /** the status that the printer gave, such as `server-error-not-accepting-jobs` */
  readonly status: string

  constructor(code: IppProblemCode, message: string, status = '') {
    super(message)
    this.code = code
    this.status = status
  }
}

const refusals: Readonly<Record<string, string>> = {
  'client-error-document-format-not-supported':
    'does not take this kind of document. Choose the other format',
  'client-error-document-format-error': 'cannot read the document',
  'client-error-attributes-or-values-not-supported':
    'does not have this paper or label size. Choose the stock that is loaded',
  'client-error-not-possible': 'cannot do that now',
  'client-error-not-found': 'does not know this job',
  'client-error-request-entity-too-large':
    'says that the document is too large. Print fewer labels at a time',
  'client-error-not-authorized': 'does not let you print',
  'client-error-forbidden': 'does not let you print',
  'server-error-not-accepting-jobs': 'takes no jobs at the moment',
  'server-error-busy': 'is busy. Try again in a moment',
  'server-error-device-error': 'has a fault',
  'server-error-service-unavailable': 'is not ready',
  'server-error-operation-not-supported': 'cannot do this',
}

/** What a refusal means. */
export const refusal = (status: string, said: string): IppProblem =>
  new IppProblem(
    'REFUSED',
    `The printer ${refusals[status] ?? `refuses the job (${status})`}.${said === '' ? '' : ` It says: ${said}`}`,
    status,
  )
