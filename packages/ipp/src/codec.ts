import ipp from '@sealsystems/ipp'
import { checkedHead } from './checked.js'

export type Attributes = Readonly<Record<string, unknown>>

/** An IPP request or response (RFC 8010), its groups by name; several job groups are a list. */
export interface IppMessage {
  readonly version: string
  readonly operation?: string | undefined
  readonly statusCode?: string | undefined
  readonly id: number
  readonly operationAttributes: Attributes
  readonly jobs: readonly Attributes[]
  readonly printer: Attributes
  /** the document behind the attributes, empty where there is none */
  readonly data: Uint8Array
}

const group = (value: unknown): Attributes[] =>
  Array.isArray(value) ? (value as Attributes[]) : value === undefined ? [] : [value as Attributes]

/** What the codec makes of the head of a message, before it is put in order. */
export type RawMessage = ReturnType<typeof ipp.parse>

/** @throws Error when the bytes are no IPP message */
export function decode(bytes: Uint8Array): IppMessage {
  const whole = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const { head, documentAt } = checkedHead(whole)
  return messageOf(ipp.parse(head), whole.subarray(documentAt))
}

/** Puts in order what the codec has read. */
export const messageOf = (raw: RawMessage, data: Uint8Array): IppMessage => ({
  version: raw.version ?? '',
  operation: raw.operation,
  statusCode: raw.statusCode,
  id: raw.id ?? 0,
  operationAttributes: group(raw['operation-attributes-tag'])[0] ?? {},
  jobs: group(raw['job-attributes-tag']),
  printer: group(raw['printer-attributes-tag'])[0] ?? {},
  data,
})

export interface OutMessage {
  readonly version?: string
  readonly operation?: string
  readonly statusCode?: string
  readonly id: number
  readonly operationAttributes?: Attributes
  readonly jobs?: readonly Attributes[]
  readonly printer?: Attributes
  readonly data?: Uint8Array
}

/**
 * Bytes of a message. The character set and the language come first, as RFC 8011 asks. Attributes that the codec does
 * not know are left out; values that are lists themselves (a resolution, a range) stand in a list of one.
 */
export function encode(message: OutMessage): Buffer {
  const {
    version = '2.0',
    operation,
    statusCode,
    id,
    operationAttributes = {},
    jobs,
    printer,
    data,
  } = message
  const bytes = ipp.serialize({
    version,
    id,
    ...(operation !== undefined && { operation }),
    ...(statusCode !== undefined && { statusCode }),
    'operation-attributes-tag': {
      'attributes-charset': 'utf-8',
      'attributes-natural-language': 'en-us',
      ...operationAttributes,
    },
    ...(jobs && jobs.length > 0 && { 'job-attributes-tag': [...jobs] }),
    ...(printer && { 'printer-attributes-tag': printer }),
    ...(data && { data: Buffer.from(data.buffer, data.byteOffset, data.byteLength) }),
  })
  // an answer has to repeat the number, also where it is 0, for which the codec makes one up, or below it
  bytes.writeInt32BE(id | 0, 4)
  return bytes
}

/** The values of an attribute, of which IPP may send one or several. */
export const valuesOf = (attributes: Attributes, name: string): unknown[] => {
  const value = attributes[name]
  return Array.isArray(value) ? value : value === undefined || value === '' ? [] : [value]
}

/** One value as text, or an empty text. */
export const textOf = (attributes: Attributes, name: string): string => {
  const value = valuesOf(attributes, name)[0]
  return typeof value === 'string' || typeof value === 'number' ? String(value) : ''
}
