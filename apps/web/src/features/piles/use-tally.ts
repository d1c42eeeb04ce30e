import { howMany } from '../../parts/words.js'
import { useEffect, useState } from 'react'
import { toast } from '../../store/message.js'
import { editCommand, talliedRate, type Command, type CommandId } from '@reach-plot/core'
import { useKept } from '../../parts/use-kept.js'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useFrontCommands } from '../../store/selectors.js'

/** What is counted, and for how long; kept through reloads and shared by the windows of the app. */
interface Tally {
  readonly ids: readonly CommandId[]
  readonly counts: Readonly<Record<string, number>>
  /** counted before it was last started, ms */
  readonly pastMs: number
  /** when it was started; null while it rests */
  readonly since: number | null
}

const keys = 'abcdefghijklmnopqrstuvwxyz'
/** So many are counted at first. */
const usualCount = 16

/** Counting real work for a while: one key a command. */
export function useTally() {
  const plan = usePlan()
  const edit = useEdit()
  const front = useFrontCommands()
  const [fresh] = useState((): Tally => ({
    ids: front.slice(0, usualCount).map((c) => c.id),
    counts: {},
    pastMs: 0,
    since: null,
  }))
  const [tally, setTally] = useKept<Tally>(`tally ${plan.id}`, fresh)
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (tally.since === null) return
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [tally.since])
  const elapsedMs = tally.pastMs + (tally.since === null ? 0 : Math.max(0, now - tally.since))
  const minutes = elapsedMs / 60_000
  const rows = tally.ids.flatMap((id, i) => {
    const command = plan.commands.find((c) => c.id === id)
    const uses = tally.counts[id] ?? 0
    return command ? [{ command, key: keys[i] ?? '', uses, rate: talliedRate(uses, minutes) }] : []
  })
  const count = (id: CommandId, by: 1 | -1): void =>
    setTally({ ...tally, counts: { ...tally.counts, [id]: Math.max(0, (tally.counts[id] ?? 0) + by) } })
  const take = (): void => {
    const counted = rows.filter((r) => r.rate !== null)
    edit((before) =>
      counted.reduce((sum, { command, rate }) => editCommand(sum, command.id, { ...rate }), before),
    )
    toast(
      `${howMany(counted.length, 'command has the rate that was', 'commands have the rates that were')} counted`,
      { action: undoAction() },
    )
    setTally({ ...fresh, ids: tally.ids })
  }
  const isRunning = tally.since !== null
  return {
    rows,
    minutes,
    elapsedMs,
    isRunning,
    others: front.filter((c) => !tally.ids.includes(c.id)),
    canAdd: tally.ids.length < keys.length,
    start: () => {
      setNow(Date.now())
      setTally({ ...tally, since: Date.now() })
    },
    pause: () => setTally({ ...tally, pastMs: elapsedMs, since: null }),
    count,
    countKey: (key: string): boolean => {
      const row = rows.find((r) => r.key === key.toLowerCase())
      if (row) count(row.command.id, key === key.toUpperCase() ? -1 : 1)
      return row !== undefined
    },
    setUses: (id: CommandId, uses: number) =>
      setTally({ ...tally, counts: { ...tally.counts, [id]: Math.max(0, Math.round(uses)) } }),
    setMinutes: (value: number) => setTally({ ...tally, pastMs: Math.max(0, value) * 60_000, since: null }),
    add: (id: CommandId) => setTally({ ...tally, ids: [...tally.ids, id] }),
    drop: (command: Command) => setTally({ ...tally, ids: tally.ids.filter((id) => id !== command.id) }),
    clear: () => setTally({ ...fresh, ids: tally.ids }),
    take,
  }
}

export type TallyScreen = ReturnType<typeof useTally>
