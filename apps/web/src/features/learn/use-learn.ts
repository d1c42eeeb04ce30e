import { useCallback, useMemo, useState } from 'react'
import {
  heldOf,
  isModifierCode,
  modifierCodes,
  modifiers,
  triggerKey,
  type CommandId,
  type Modifier,
  type Trigger,
} from '@reach-plot/core'
import { measuredTimes, type Answer, type AskedKind, type Question } from '@reach-plot/core/practice'
import { useSettled } from '../../parts/use-settled.js'
import { useShowOnPlot } from '../../parts/use-show-on-plot.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import { useDerived, usePageOf } from '../../store/selectors.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { meantBy, sentFor, swallowed, wayOf } from './asked.js'
import { chartTask } from './stand-in/chart-task.js'
import { useAnswerKeys } from './use-answer-keys.js'
import { useFullScreen } from './use-full-screen.js'
import { letGo, useLeftEmpty } from './use-left-empty.js'
import { useLesson } from './use-lesson.js'
import { useOwnFigures } from './use-own-figures.js'
import { useSession } from './use-session.js'

/** What a session asks in: all that is new and due, or the old keys that mean something else now. */
export const practiceKinds = [
  'key',
  'name',
  'hidden',
  'contrast',
  'routine',
  'default',
  'task',
] as const satisfies readonly AskedKind[]

/** What Learn shows and can be done there. */
export function useLearn() {
  const lesson = useLesson()
  const { derived, answers } = lesson
  const { env, index, arrangement } = derived
  const screen = useFullScreen()
  const [kind, setKind] = useState<AskedKind>('key')
  const [down, setDown] = useState<readonly Modifier[]>([])
  const [ways, setWays] = useState<readonly Trigger[]>([])
  const commandOf = useCallback((id: string) => index.commands.get(id), [index])
  const programOf = useCallback((id: string): string => index.commands.get(id)?.programId ?? '', [index])
  const session = useSession(arrangement.id, programOf)
  const { state } = session
  const question = state?.question ?? null
  const sent = useMemo(
    () => (question ? sentFor(arrangement.placements, question.commandId, question.trigger) : []),
    [question, arrangement.placements],
  )
  const isNamed = state?.kind === 'name'
  const take = (pressed: Trigger): void => {
    if (question) answer(pressed, triggerKey(pressed) === triggerKey(question.trigger))
  }
  const answer = (pressed: Trigger | null, isRight: boolean, at?: number): void => {
    setDown([])
    setWays([])
    session.answer(pressed, isRight, at)
  }
  const way = question ? wayOf(question.trigger, sent) : 'drawn'
  const isEscaping = useAnswerKeys({
    asked: question && !isNamed ? question.trigger : null,
    way,
    sent,
    layout: env.layout,
    onPress: answer,
    onStop: session.stop,
  })
  const onControl = useControlPress({ asked: isNamed ? null : question, down, setDown, setWays, take })
  const questions = useMemo(() => questionsOf(kind, lesson, index.triggers), [kind, lesson, index.triggers])
  const { measured, reachOf } = useMeasured(answers)
  const empty = useLeftEmpty()
  const show = useShowOnPlot()
  const own = useOwnFigures(
    useSettled(answers, state === null),
    useSettled(measured, state === null),
    reachOf,
  )
  return {
    ...lesson,
    ...empty,
    own,
    letGo,
    showPlaces: (id: string): void => {
      const command = index.commands.get(id as CommandId)
      if (command) show(command)
    },
    hasTask: chartTask.some((step) => index.triggers.has(step.commandId)),
    practise: (commandId: string): void =>
      session.start(questionsAbout(commandId, index.triggers), [], 'key'),
    kind,
    setKind,
    down,
    session,
    state,
    question,
    sent,
    isEscaping,
    onControl,
    ways,
    take,
    answer,
    commandOf,
    questions,
    measured,
    // in full screen with the keyboard locked to the page such presses arrive
    why: question && !(screen.isFull && screen.canLock) ? swallowed(question.trigger, index) : null,
    screen,
    way,
    reachOf,
  }
}

/** A control that is clicked on the drawing: a modifier is held from then on, another is the answer, or has several ways. */
function useControlPress({
  asked: question,
  down,
  setDown,
  setWays,
  take,
}: {
  asked: Question | null
  down: readonly Modifier[]
  setDown: (down: readonly Modifier[]) => void
  setWays: (ways: readonly Trigger[]) => void
  take: (pressed: Trigger) => void
}) {
  const { env } = useDerived()
  const pageOf = usePageOf()
  return (ref: string): void => {
    const control = env.controls.find((c) => refOfControl(c) === ref)
    if (!control || !question) return
    const modifier = modifiers.find((m) => modifierCodes(m, env.layout.altGraph).includes(ref))
    if (control.code !== null && isModifierCode(control.code) && modifier) {
      setDown(down.includes(modifier) ? down.filter((m) => m !== modifier) : [...down, modifier])
      return
    }
    const page = control.code === null ? pageOf(control.deviceId) : undefined
    const meant = meantBy(control, down, page, question.trigger)
    const [only] = meant
    if (meant.length === 1 && only) take(only)
    else setWays(meant)
  }
}

export type LearnScreen = ReturnType<typeof useLearn>

/** Measured times against those that the model predicts for every key that was answered. */
function useMeasured(answers: readonly Answer[] | null) {
  const askedSets = useMemo(
    () => [...new Map((answers ?? []).map((a) => [heldOf(a.trigger).join(), heldOf(a.trigger)])).values()],
    [answers],
  )
  const { reachOf } = useReachOfSets(askedSets.length > 0 ? askedSets : noHeld)
  const measured = useMemo(() => measuredTimes(answers ?? [], (t) => reachOf(t)?.timeMs), [answers, reachOf])
  return { measured, reachOf }
}

/** One question about the first key of a command. */
function questionsAbout(
  commandId: string,
  triggers: ReadonlyMap<string, readonly Trigger[]>,
): readonly Question[] {
  return (triggers.get(commandId) ?? []).slice(0, 1).map((trigger) => ({ commandId, trigger, isNew: false }))
}

/** Keys of a session that goes over what is not due. Assumed. */
const mostAhead = 20

/** What a session of a kind would ask: what is due, and what is new. */
function questionsOf(
  kind: AskedKind,
  { today, habits, plan, defaults }: ReturnType<typeof useLesson>,
  triggers: ReadonlyMap<string, readonly Trigger[]>,
): { readonly due: readonly Question[]; readonly fresh: readonly Question[] } {
  if (!today) return { due: [], fresh: [] }
  const asQuestion = (commandId: string): readonly Question[] => questionsAbout(commandId, triggers)
  if (kind === 'default') return defaults
  // in the order of the work, whatever is due
  if (kind === 'task') return { due: chartTask.flatMap((step) => asQuestion(step.commandId)), fresh: [] }
  if (kind === 'contrast')
    return {
      // the moved command, and the one that has its old key now, in turn
      due: habits.flatMap((h) => [
        ...asQuestion(h.command.id),
        ...h.runs.slice(0, 1).flatMap((c) => asQuestion(c.id)),
      ]),
      fresh: [],
    }
  if (kind === 'routine')
    return {
      due: plan.routines.flatMap((r) =>
        r.steps.flatMap((s) => (s.kind === 'command' ? asQuestion(s.commandId) : [])),
      ),
      fresh: [],
    }
  const fresh = kind === 'name' ? [] : today.fresh
  if (today.due.length + fresh.length > 0) return { due: today.due, fresh }
  // nothing is due: what was met can be gone over all the same, what comes next first
  const soonest = today.known.toSorted((a, b) => a.dueTime - b.dueTime).slice(0, mostAhead)
  return { due: soonest.map(({ commandId, trigger }) => ({ commandId, trigger, isNew: false })), fresh: [] }
}
