import { howMany } from '../../parts/words.js'
import { useState } from 'react'
import { toast } from '../../store/message.js'
import {
  answered,
  beginComparing,
  dayHours,
  editCommand,
  orderedRates,
  questionOf,
  type Command,
  type CommandId,
  type Comparing,
} from '@reach-plot/core'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useFrontCommands } from '../../store/selectors.js'
import { useKept } from '../../parts/use-kept.js'

/** So many are compared: about fifty questions. */
const compared = 16

/** Commands that are put into an order by asking which of two is used more; rates come of the order and of its two ends. */
export function useComparing() {
  const plan = usePlan()
  const edit = useEdit()
  const front = useFrontCommands()
  const { hours } = dayHours(plan)
  const [state, setState] = useKept<Comparing<CommandId> | null>(`comparing ${plan.id}`, null)
  const [before, setBefore] = useState<readonly Comparing<CommandId>[]>([])
  const [most, setMost] = useState(20)
  const [leastPerDay, setLeastPerDay] = useState(1)
  const commandOf = (id: CommandId): Command | undefined => plan.commands.find((c) => c.id === id)
  const start = (): void => {
    setBefore([])
    setState(beginComparing(front.slice(0, compared).map((c) => c.id)))
  }
  const question = state && questionOf(state)
  const answer = (isFirstMore: boolean): void => {
    if (!state) return
    setBefore([...before, state])
    setState(answered(state, isFirstMore))
  }
  const back = (): void => {
    const last = before.at(-1)
    if (!last) return
    setBefore(before.slice(0, -1))
    setState(last)
  }
  const order = (state?.order ?? []).flatMap((id) => commandOf(id) ?? [])
  const rates = orderedRates(order.length, most, leastPerDay / hours)
  const take = (): void => {
    edit((now) => order.reduce((sum, command, i) => editCommand(sum, command.id, { ...rates[i] }), now))
    toast(`${howMany(order.length, 'command has its rate', 'commands have their rates')} by the order`, {
      action: undoAction(),
    })
    setState(null)
  }
  return {
    hasCommands: front.length > 1,
    count: Math.min(compared, front.length),
    isBegun: state !== null,
    left: state?.waiting.length ?? 0,
    pair: question ? question.map((id) => commandOf(id)) : null,
    canGoBack: before.length > 0,
    order,
    rates,
    most,
    setMost,
    leastPerDay,
    setLeastPerDay,
    start,
    answer,
    back,
    take,
    giveUp: () => setState(null),
  }
}

export type ComparingView = ReturnType<typeof useComparing>
