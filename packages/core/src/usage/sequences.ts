export interface SequenceOptions {
  /** a sequence occurs at least this often */
  readonly minSupport: number
  readonly maxLength: number
  readonly minLength: number
  /** how many are given back */
  readonly limit: number
}

export interface FrequentSequence {
  readonly ids: readonly number[]
  /** occurrences that do not overlap each other */
  readonly support: number
}

/** A sequence with a part that is this many times as frequent is chance. Assumed. */
const chanceRatio = 3
/** A shorter sequence is left out when this share of it stands inside one longer sequence. Assumed. */
const absorbedShare = 0.8

/**
 * Frequent contiguous sequences of at least two events, longest first, then by support; what wraps round a shorter, more
 * frequent one comes after that. Grown one event at a time:
 * a sequence can only be frequent where its head and its tail are (Agrawal and Srikant 1994, from memory).
 * Repetitions of a shorter sequence are left out, and so are those that nearly always stand inside a longer one.
 * @param events  ids from 0; a negative number separates what does not belong together
 */
export function frequentSequences(events: Int32Array, options: SequenceOptions): FrequentSequence[] {
  const n = events.length
  const found: { at: number; length: number; support: number; absorbedBy: number }[] = []
  // at each position the number of the frequent sequence of the current length that starts there, or -1
  let level = new Int32Array(n).fill(-1)
  let levelSize = rank(events, level, options.minSupport)
  let previous: (typeof found)[number][] = []
  for (let length = 2; length <= options.maxLength && levelSize > 0; length++) {
    const index = new Map<number, number>()
    const support: number[] = []
    const freeFrom: number[] = []
    const first: number[] = []
    // the candidate that starts at each position, so that the second pass looks nothing up
    const candidate = new Int32Array(n).fill(-1)
    for (let i = 0; i + length <= n; i++) {
      const head = level[i] as number
      const tail = level[i + 1] as number
      if (head < 0 || tail < 0) continue
      const key = head * levelSize + tail
      let at = index.get(key)
      if (at === undefined) {
        index.set(key, (at = support.length))
        support.push(0)
        freeFrom.push(0)
        first.push(i)
      }
      candidate[i] = at
      if (i >= (freeFrom[at] as number)) {
        support[at] = (support[at] as number) + 1
        freeFrom[at] = i + length
      }
    }
    const next = new Int32Array(n).fill(-1)
    const numberOf = new Int32Array(support.length).fill(-1)
    const kept: typeof previous = []
    for (const [key, at] of index) {
      if ((support[at] as number) < options.minSupport) continue
      numberOf[at] = kept.length
      const start = first[at] as number
      const sequence = { at: start, length, support: support[at] as number, absorbedBy: 0 }
      for (const part of [previous[Math.floor(key / levelSize)], previous[key % levelSize]])
        if (part) part.absorbedBy = Math.max(part.absorbedBy, sequence.support)
      kept.push(sequence)
      found.push(sequence)
    }
    for (let i = 0; i < n; i++) {
      const at = candidate[i] as number
      if (at >= 0) next[i] = numberOf[at] as number
    }
    previous = kept
    level = next
    levelSize = kept.length
  }
  const proposals = found
    .filter((s) => s.length >= options.minLength && s.absorbedBy < absorbedShare * s.support)
    .map((s) => ({ ids: Array.from(events.subarray(s.at, s.at + s.length)), support: s.support }))
    .filter((s) => !repeatsItself(s.ids))
  const sorted = proposals
    .filter((s) => !isChance(s, proposals))
    .sort(
      (a, b) =>
        b.ids.length - a.ids.length || b.support - a.support || (a.ids.join() < b.ids.join() ? -1 : 1),
    )
  return wrappedFirst(sorted).slice(0, options.limit)
}

/** In the same order, but what wraps round a shorter, more frequent sequence comes after that. */
function wrappedFirst(sorted: readonly FrequentSequence[]): FrequentSequence[] {
  const out = new Set<FrequentSequence>()
  const add = (sequence: FrequentSequence): void => {
    for (const part of sorted)
      if (
        part.ids.length < sequence.ids.length &&
        part.support > sequence.support &&
        !out.has(part) &&
        contains(sequence.ids, part.ids)
      )
        add(part)
    out.add(sequence)
  }
  for (const sequence of sorted) add(sequence)
  return [...out]
}

/**
 * Two routines that follow one another by chance, or a routine with a stray step: it has a part that is a proposal
 * itself and is far more frequent.
 */
const isChance = (sequence: FrequentSequence, proposals: readonly FrequentSequence[]): boolean =>
  proposals.some(
    (part) =>
      part.ids.length < sequence.ids.length &&
      part.support >= chanceRatio * sequence.support &&
      contains(sequence.ids, part.ids),
  )

const contains = (ids: readonly number[], part: readonly number[]): boolean =>
  ids.some((_, start) => part.every((id, i) => ids[start + i] === id))

/** Numbers the events that are frequent by themselves; gives back how many there are. */
function rank(events: Int32Array, level: Int32Array, minSupport: number): number {
  const counts = new Int32Array(events.reduce((most, id) => Math.max(most, id), 0) + 1)
  for (const id of events) if (id >= 0) counts[id] = (counts[id] as number) + 1
  const numbers = new Int32Array(counts.length).fill(-1)
  let size = 0
  counts.forEach((count, id) => {
    if (count >= minSupport) numbers[id] = size++
  })
  for (let i = 0; i < events.length; i++) {
    const id = events[i] as number
    level[i] = id < 0 ? -1 : (numbers[id] as number)
  }
  return size
}

/** Whether a sequence is a shorter one over and over, such as A B A B. */
function repeatsItself(ids: readonly number[]): boolean {
  for (let period = 1; period * 2 <= ids.length; period++)
    if (ids.every((id, i) => i < period || id === ids[i - period])) return true
  return false
}
