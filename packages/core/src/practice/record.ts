import { CoreError } from '../errors.js'
import { answerSchema, type Answer } from './answer.js'

/** A line that is no answer, and why. */
export interface BadLine {
  /** from 1 */
  readonly line: number
  readonly what: string
}

/** A record as it was read: answers by time, the earliest first, each once. */
export interface PracticeRecord {
  readonly answers: readonly Answer[]
  readonly bad: readonly BadLine[]
}

/** Most characters of a record: 2 million answers or so. */
const longestRecord = 400_000_000

/** One answer as a line of a record, with its line end: JSON Lines. */
export const recordLine = (answer: Answer): string =>
  `${JSON.stringify({
    time: new Date(answer.time).toISOString(),
    command: answer.commandId,
    trigger: answer.trigger,
    kind: answer.kind,
    pressed: answer.pressed,
    ms: answer.ms,
    right: answer.right,
  })}\n`

/** A record as a file. */
export const writeRecord = (answers: readonly Answer[]): string => answers.map(recordLine).join('')

/**
 * Reads a record of practice, one answer a line. Lines that are no answer are listed and the rest is read; answers out of order, as a clock
 * that was set back leaves them, are put in order; the same answer twice counts once.
 * @throws CoreError `RECORD_UNREADABLE` when no line is an answer
 */
export function readRecord(text: string): PracticeRecord {
  if (text.length > longestRecord) throw unreadable('it is too long', 'split it into files of fewer answers')
  const bad: BadLine[] = []
  const answers: Answer[] = []
  text.split('\n').forEach((line, i) => {
    if (line.trim() === '' || (i === 0 && line === '\uFEFF')) return
    const read = answerOf(line)
    if ('what' in read) bad.push({ line: i + 1, what: read.what })
    else answers.push(read)
  })
  if (answers.length === 0 && bad.length > 0)
    throw unreadable(
      `line ${bad[0]?.line}: ${bad[0]?.what}`,
      'give a record that Learn has saved: one answer a line, as JSON',
    )
  return { answers: inOrder(answers), bad }
}

function answerOf(line: string): Answer | { readonly what: string } {
  let value: unknown
  try {
    value = JSON.parse(line.replace(/^\uFEFF/, ''))
  } catch {
    return { what: 'this is no JSON' }
  }
  const read = answerSchema.safeParse(value)
  if (!read.success) {
    const [issue] = read.error.issues
    return { what: `${issue?.path.join(' › ') || 'the line'}: ${issue?.message ?? 'is no answer'}` }
  }
  const { time, command, trigger, kind, pressed, ms, right } = read.data
  return { time: Date.parse(time), commandId: command, trigger, kind, pressed, ms, right }
}

/** Answers by time, each once; two records of one person are joined by it. */
export function inOrder(answers: readonly Answer[]): Answer[] {
  const seen = new Set<string>()
  return answers
    .filter((a) => {
      const key = `${a.time} ${a.commandId} ${a.kind} ${a.ms}`
      return !seen.has(key) && seen.add(key)
    })
    .sort((a, b) => a.time - b.time)
}

const unreadable = (what: string, remedy: string): CoreError =>
  new CoreError('RECORD_UNREADABLE', { where: ['record'], what, remedy })
