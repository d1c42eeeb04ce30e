import { inOrder, type Answer } from '@reach-plot/core/practice'
import { create } from 'zustand'
import { openKeyValue, type KeyValue } from './key-value.js'

interface PracticeState {
  readonly planId: string
  /** null while the record is being read */
  readonly answers: readonly Answer[] | null
  /** when the record was read or last changed: by this moment it is told what is due */
  readonly now: number
  /** false where the browser keeps nothing: the record ends with the page */
  readonly isKept: boolean
}

/** The person's own record of answers to the plan that is open: kept in this browser beside the plan, by its id. */
export const usePractice = create<PracticeState>(() => ({ planId: '', answers: null, now: 0, isKept: true }))

/** Answers in one entry of the store: each answer writes its entry anew. */
const answersPerEntry = 200
/** Windows write entries of their own, so that none writes over another's. */
const windowId = crypto.randomUUID()

let opened: Promise<{ readonly kv: KeyValue; readonly isKept: boolean }> | null = null
const store = (): Promise<{ readonly kv: KeyValue; readonly isKept: boolean }> =>
  (opened ??= openKeyValue('reach-plot-practice'))

const prefixOf = (planId: string): string => `${planId}/`

async function readAll(planId: string): Promise<{ readonly answers: Answer[]; readonly isKept: boolean }> {
  const { kv, isKept } = await store()
  const keys = (await kv.keys()).filter((key) => key.startsWith(prefixOf(planId)))
  const entries = await Promise.all(keys.map((key) => kv.get<Answer[]>(key)))
  return { answers: inOrder(entries.flatMap((e) => e ?? [])), isKept }
}

/** Reads the record of the plan that is open, unless it is there. */
export async function openPractice(planId: string): Promise<void> {
  if (usePractice.getState().planId === planId) {
    // a day may have begun since
    usePractice.setState({ now: Date.now() })
    return
  }
  usePractice.setState({ planId, answers: null, now: Date.now() })
  const read = await readAll(planId).catch(() => ({ answers: [], isKept: false }))
  const now = usePractice.getState()
  if (now.planId === planId)
    usePractice.setState({ answers: inOrder([...read.answers, ...(now.answers ?? [])]), isKept: read.isKept })
}

let entry: { readonly planId: string; readonly n: number; readonly answers: Answer[] } | null = null

/** Adds an answer to the record; it is written at once. */
export async function addAnswer(answer: Answer): Promise<void> {
  const { planId, answers } = usePractice.getState()
  usePractice.setState({ answers: [...(answers ?? []), answer], now: Date.now() })
  if (!entry || entry.planId !== planId || entry.answers.length >= answersPerEntry)
    entry = { planId, n: entry?.planId === planId ? entry.n + 1 : 0, answers: [] }
  entry.answers.push(answer)
  const { kv } = await store()
  await kv
    .set(`${prefixOf(planId)}${windowId}-${entry.n}`, entry.answers)
    .catch(() => usePractice.setState({ isKept: false }))
}

/** Joins answers of a file to the record. @returns how many were new */
export async function joinAnswers(more: readonly Answer[]): Promise<number> {
  const { planId, answers } = usePractice.getState()
  const joined = inOrder([...(answers ?? []), ...more])
  usePractice.setState({ answers: joined, now: Date.now() })
  const { kv } = await store()
  const at = Date.now()
  for (let i = 0; i < more.length; i += answersPerEntry)
    await kv.set(`${prefixOf(planId)}file-${at}-${i}`, more.slice(i, i + answersPerEntry))
  return joined.length - (answers?.length ?? 0)
}

/** Forgets the record of a plan, for good. */
export async function forgetPractice(planId: string): Promise<void> {
  const { kv } = await store()
  const keys = (await kv.keys()).filter((key) => key.startsWith(prefixOf(planId)))
  await Promise.all(keys.map((key) => kv.remove(key)))
  if (usePractice.getState().planId === planId) {
    entry = null
    usePractice.setState({ answers: [] })
  }
}
