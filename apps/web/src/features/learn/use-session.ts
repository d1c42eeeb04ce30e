import { useCallback, useEffect, useRef, useState, type RefObject } from 'react'
import { triggerKey, type Trigger } from '@reach-plot/core'
import {
  afterAnswer,
  startQueue,
  type Answer,
  type AskedKind,
  type PracticeQueue,
  type Question,
} from '@reach-plot/core/practice'
import { addAnswer } from '../../store/practice-store.js'
import { useKept } from '../../parts/use-kept.js'

/** What is left of a session, so that it goes on after a reload. */
interface KeptSession {
  readonly kind: AskedKind
  readonly next: readonly Question[]
  readonly missed: readonly string[]
  readonly arrangementId: string
}

/** Waiting longer than this is not knowing, ms. Assumed. */
export const revealAfterMs = 8000

/** Where a session stands. */
export interface SessionState {
  readonly kind: AskedKind
  readonly question: Question | null
  readonly left: number
  /** what was pressed wrongly, or nothing for a long wait; undefined while the question is open */
  readonly shown: { readonly pressed: Trigger | null } | undefined
  readonly given: readonly Answer[]
}

/** A run of questions: each is answered once; what was not right is shown and has to be pressed before the next. */
export function useSession(arrangementId: string, programOf: (commandId: string) => string) {
  const [kept, setKept] = useKept<KeptSession | null>('practice', null, 'tab')
  const [queue, setQueue] = useState<PracticeQueue | null>(null)
  const [kind, setKind] = useState<AskedKind>('key')
  const [shown, setShown] = useState<SessionState['shown']>(undefined)
  const [given, setGiven] = useState<readonly Answer[]>([])
  const [all, setAll] = useState<readonly Question[]>([])
  const askedAt = useRef(0)
  const before = useRef<string | null>(null)
  const [question] = queue?.next ?? []

  const show = useCallback(
    (next: PracticeQueue | null, of: AskedKind) => {
      setQueue(next && next.next.length > 0 ? next : null)
      setKept(
        next && next.next.length > 0
          ? { kind: of, next: next.next, missed: [...next.missed], arrangementId }
          : null,
      )
      setShown(undefined)
    },
    [arrangementId, setKept],
  )
  const start = (due: readonly Question[], fresh: readonly Question[], of: AskedKind): void => {
    setKind(of)
    setAll([...due, ...fresh])
    setGiven([])
    before.current = null
    show(startQueue(due, fresh), of)
  }
  const goOn = (): void => {
    if (!kept) return
    setKind(kept.kind)
    setAll(kept.next)
    setGiven([])
    show({ next: kept.next, missed: new Set(kept.missed) }, kept.kind)
  }
  /** @param at  time of the event, on the clock of the page; now where left out */
  const answer = useCallback(
    (pressed: Trigger | null, isRight: boolean, at = performance.now()): void => {
      if (!queue || !question) return
      if (shown) {
        if (isRight) show(afterAnswer(queue, false), kind)
        return
      }
      const program = programOf(question.commandId)
      const isSwitch = before.current !== null && before.current !== program && kind === 'key'
      before.current = program
      const done: Answer = {
        time: Date.now(),
        commandId: question.commandId,
        trigger: question.trigger,
        kind: isSwitch ? 'switch' : kind,
        pressed,
        ms: Math.max(0, Math.round(at - askedAt.current)),
        right: isRight,
      }
      void addAnswer(done)
      setGiven((all) => [...all, done])
      if (isRight) show(afterAnswer(queue, true), kind)
      else setShown({ pressed })
    },
    [queue, question, shown, kind, programOf, show],
  )
  useClock(question, queue?.next.length ?? 0, shown !== undefined, askedAt, answer)
  return {
    state: queue ? { kind, question: question ?? null, left: queue.next.length, shown, given } : null,
    given,
    /** every question that it began with */
    all,
    canGoOn: kept !== null && queue === null && kept.arrangementId === arrangementId ? kept.next.length : 0,
    start,
    goOn,
    answer,
    /** ends it; what is left can be gone on with */
    stop: () => setQueue(null),
    forget: () => setKept(null),
  }
}

/** Notes when a question comes up, and shows its answer when nobody answers for long. */
function useClock(
  question: Question | undefined,
  left: number,
  isShown: boolean,
  askedAtRef: RefObject<number>,
  answer: (pressed: Trigger | null, isRight: boolean) => void,
): void {
  const key = question && `${question.commandId} ${triggerKey(question.trigger)} ${left}`
  useEffect(() => {
    if (key !== undefined) askedAtRef.current = performance.now()
  }, [key, askedAtRef])
  useEffect(() => {
    if (key === undefined || isShown) return
    const timer = setTimeout(() => answer(null, false), revealAfterMs)
    return () => clearTimeout(timer)
  }, [key, isShown, answer])
}
