/** Bounds on the attributes of a message. Assumed; printers send a few hundred. */
export const messageLimits = { attributeBytes: 1_000_000, values: 20_000, depth: 8 } as const

/** Delimiters of groups, RFC 8010 (3.5.1): below 0x10; 3 ends the attributes. */
const endOfAttributes = 0x03
const lastGroupTag = 0x09

const begCollection = 0x34
const endCollection = 0x37
const memberName = 0x4a

/** Tags of values with the length that each must have, RFC 8010 (3.5.2 and 3.9); null for any. */
const valueLengths: ReadonlyMap<number, number | null> = new Map([
  // out of band: unsupported, unknown, no-value
  [0x10, 0],
  [0x12, 0],
  [0x13, 0],
  // integer, boolean, enum
  [0x21, 4],
  [0x22, 1],
  [0x23, 4],
  // octetString, dateTime, resolution, rangeOfInteger
  [0x30, null],
  [0x31, 11],
  [0x32, 9],
  [0x33, 8],
  // text and name with a language: their parts are checked apart
  [0x35, null],
  [0x36, null],
  [begCollection, 0],
  [endCollection, 0],
  // text, name, keyword, uri, uriScheme, charset, naturalLanguage, mimeMediaType, memberAttrName
  ...[0x41, 0x42, 0x44, 0x45, 0x46, 0x47, 0x48, 0x49, memberName].map((tag) => [tag, null] as const),
])

const namePattern = /^[A-Za-z0-9][A-Za-z0-9._-]*$/
const withLanguage = new Set([0x35, 0x36])

interface Field {
  readonly start: number
  readonly end: number
  readonly tag: number
  readonly name: string
  readonly value: Buffer
}

/** Reads fields one after the other and never beyond the end: lengths are without a sign. */
class Fields {
  readonly #bytes: Buffer
  #at: number
  #count = 0
  constructor(bytes: Buffer, at: number) {
    this.#bytes = bytes
    this.#at = at
  }
  get at(): number {
    return this.#at
  }
  get tag(): number {
    if (this.#at >= this.#bytes.length) throw new Error('the message ends within its attributes')
    return this.#bytes[this.#at] as number
  }
  delimiter(): number {
    const { tag } = this
    this.#at++
    return tag
  }
  field(): Field {
    const start = this.#at
    const { tag } = this
    const [nameAt, nameLength] = this.#part(start + 1)
    const [valueAt, valueLength] = this.#part(nameAt + nameLength)
    this.#at = valueAt + valueLength
    this.#count++
    if (this.#count > messageLimits.values || this.#at > messageLimits.attributeBytes)
      throw new Error('the message has too many attributes')
    return {
      start,
      end: this.#at,
      tag,
      name: this.#bytes.toString('latin1', nameAt, nameAt + nameLength),
      value: this.#bytes.subarray(valueAt, valueAt + valueLength),
    }
  }
  #part(at: number): [at: number, length: number] {
    if (at + 2 > this.#bytes.length) throw new Error('the message ends within a length')
    const length = this.#bytes.readUInt16BE(at)
    if (at + 2 + length > this.#bytes.length) throw new Error('a length leads beyond the end of the message')
    return [at + 2, length]
  }
}

const isWellFormed = ({ tag, value }: Field): boolean => {
  const length = valueLengths.get(tag)
  if (length === undefined || (length !== null && value.length !== length)) return false
  if (!withLanguage.has(tag)) return true
  if (value.length < 4) return false
  const language = value.readUInt16BE(0)
  // a language of 256 letters is none; the codec also reads it in another way
  return (
    language < 256 &&
    4 + language <= value.length &&
    4 + language + value.readUInt16BE(2 + language) === value.length
  )
}

/**
 * One value, a collection with all that is in it; false where the codec could not read it.
 * @throws Error when a collection is not closed or lies too deep
 */
function takeValue(fields: Fields, first: Field, depth: number): boolean {
  let good = isWellFormed(first) && first.tag !== endCollection && first.tag !== memberName
  if (first.tag !== begCollection) return good
  if (depth >= messageLimits.depth) throw new Error('collections lie too deep in one another')
  let needsValue = false
  for (;;) {
    const field = fields.field()
    if (field.name !== '' || field.tag < 0x10) throw new Error('a collection is not closed')
    if (field.tag === endCollection) return good && !needsValue && field.value.length === 0
    if (field.tag === memberName) {
      if (needsValue || !namePattern.test(field.value.toString('latin1'))) good = false
      needsValue = true
      continue
    }
    good = takeValue(fields, field, depth + 1) && good
    needsValue = false
  }
}

/**
 * The head of a message with only what the codec reads rightly, and where the document behind it begins. The codec takes
 * lengths as signed, reads on over tags that it does not know, and can be made to run for ever; so nothing of that kind
 * reaches it: attributes with unknown tags or values of a wrong length are left out.
 * @throws Error when lengths do not add up, or there is too much of it
 */
export function checkedHead(bytes: Buffer): { readonly head: Buffer; readonly documentAt: number } {
  if (bytes.length < 9) throw new Error('the message is too short')
  const parts: Buffer[] = [bytes.subarray(0, 8)]
  const fields = new Fields(bytes, 8)
  let isInGroup = false
  for (;;) {
    if (fields.tag < 0x10) {
      const at = fields.at
      const tag = fields.delimiter()
      if (tag === 0 || tag > lastGroupTag) throw new Error('the message has a group of an unknown kind')
      parts.push(bytes.subarray(at, at + 1))
      if (tag === endOfAttributes) break
      isInGroup = true
      continue
    }
    if (!isInGroup) throw new Error('an attribute stands before its group')
    takeAttribute(fields, bytes, parts)
  }
  return { head: Buffer.concat(parts), documentAt: fields.at }
}

/** An attribute with all its values, kept whole or left out whole. */
function takeAttribute(fields: Fields, bytes: Buffer, parts: Buffer[]): void {
  const first = fields.field()
  if (first.name === '') throw new Error('a value belongs to no attribute')
  let good = takeValue(fields, first, 0) && namePattern.test(first.name)
  while (fields.tag >= 0x10 && bytes.readUInt16BE(Math.min(fields.at + 1, bytes.length - 2)) === 0)
    good = takeValue(fields, fields.field(), 0) && good
  if (good) parts.push(bytes.subarray(first.start, fields.at))
}
