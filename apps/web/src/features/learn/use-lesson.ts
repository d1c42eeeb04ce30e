import { useEffect, useMemo } from 'react'
import { arrangementSetNow, arrangementWith, changesBetween } from '@reach-plot/core'
import {
  atWork,
  confusionsOf,
  defaultsToday,
  keptDefaults,
  Knowledge,
  lessonOf,
  lessonOfAll,
  oldHabits,
  practiceToday,
  type Answer,
} from '@reach-plot/core/practice'
import { usePlan } from '../../store/plan-store.js'
import { openPractice, usePractice } from '../../store/practice-store.js'
import { useDerived } from '../../store/selectors.js'
import { useDayPlan, useNewPerDay } from '../../parts/use-day-plan.js'

let last: { readonly answers: readonly Answer[]; readonly knowledge: Knowledge } | null = null

/** What a record says; where answers were only added to the last one, they alone are worked out. */
function knowledgeOf(answers: readonly Answer[]): Pick<Knowledge, 'cards'> {
  const before = last
  const isMore =
    before !== null &&
    answers.length >= before.answers.length &&
    answers[0] === before.answers[0] &&
    answers[before.answers.length - 1] === before.answers.at(-1)
  const knowledge = isMore ? before.knowledge : new Knowledge()
  for (const answer of isMore ? answers.slice(before.answers.length) : answers) knowledge.add(answer)
  last = { answers, knowledge }
  // a new object each time, for what is memoised by it
  return { cards: knowledge.cards }
}

/** Minutes that the person's clock is ahead of UTC. */
const zoneMinutes = (): number => -new Date().getTimezoneOffset()

/** What is to be learned: the days, what is new and due today, and what the record says. */
export function useLesson() {
  const plan = usePlan()
  const derived = useDerived()
  const { index, arrangement } = derived
  const [newPerDay, setNewPerDay] = useNewPerDay()
  const { answers, isKept, now } = usePractice()
  useEffect(() => void openPractice(plan.id), [plan.id])
  const from = arrangementSetNow(plan)
  const days = useDayPlan(newPerDay)
  const isAll = from.id === arrangement.id
  const lesson = useMemo(() => {
    if (isAll) return lessonOfAll({ plan, index }, newPerDay)
    return days ? lessonOf(days.days) : null
  }, [isAll, days, plan, index, newPerDay])
  const knowledge = useMemo(() => (answers ? knowledgeOf(answers) : null), [answers])
  const today = useMemo(
    () =>
      lesson && knowledge
        ? practiceToday(lesson, { index }, knowledge, { now, zoneMinutes: zoneMinutes() })
        : null,
    [lesson, knowledge, index, now],
  )
  const habits = useMemo(() => {
    if (!days || !today) return []
    const upToToday = days.days.slice(0, today.day).flatMap((d) => d.changes)
    const changed = changesBetween(
      from.placements,
      arrangementWith(from, arrangement, upToToday).placements,
      plan.commands,
    )
    return oldHabits(changed, index).filter((h) => h.runs.length > 0)
  }, [days, today, from, arrangement, plan.commands, index])
  const defaults = useMemo(
    () =>
      knowledge
        ? defaultsToday(keptDefaults(plan, index.triggers), knowledge, { now, zoneMinutes: zoneMinutes() })
        : { due: [], fresh: [] },
    [plan, index.triggers, knowledge, now],
  )
  const work = useMemo(
    () => atWork(plan.usage, today?.known ?? [], index.commands),
    [plan.usage, today, index.commands],
  )
  const confusions = useMemo(() => confusionsOf(answers ?? []).filter((c) => c.times > 1), [answers])
  return {
    plan,
    derived,
    from,
    isAll,
    days,
    today,
    habits,
    confusions,
    defaults,
    work,
    answers,
    isKept,
    newPerDay,
    setNewPerDay,
  }
}
