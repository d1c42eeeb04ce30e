import { useState } from 'react'
import { dayHours, editCommand, pileSpread, type Command } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** How often, in words, with the uses behind them. Assumed; each can be set. */
export interface Pile {
  readonly key: string
  readonly name: string
  readonly unit: 'day' | 'hour'
  readonly uses: number
}
const usual: readonly Pile[] = [
  { key: '1', name: 'rarely', unit: 'day', uses: 0.2 },
  { key: '2', name: 'daily', unit: 'day', uses: 2 },
  { key: '3', name: 'hourly', unit: 'hour', uses: 2 },
  { key: '4', name: 'all the time', unit: 'hour', uses: 20 },
]

export const shown = 60

/** Commands that are sorted into piles by one key each: those without a rate first. */
export function usePiles() {
  const plan = usePlan()
  const edit = useEdit()
  const [piles, setPiles] = useState(usual)
  const [sorted, setSorted] = useState<ReadonlyMap<string, string>>(new Map())
  const [at, setAt] = useState(0)
  // the list stays as it was when the screen was opened, so that nothing moves under the hand
  const [ids] = useState(() => firstOf(plan.commands))
  const commands = ids.flatMap((id) => plan.commands.find((c) => c.id === id) ?? [])
  const { hours } = dayHours(plan)
  const rateOf = ({ unit, uses }: Pile): number =>
    Math.round((unit === 'hour' ? uses : uses / hours) * 100) / 100
  const sort = (pile: Pile): void => {
    const command = commands[at]
    if (!command) return
    edit((before) =>
      editCommand(before, command.id, {
        usesPerHour: rateOf(pile),
        rateSpread: pileSpread(piles.map(rateOf), piles.indexOf(pile)),
      }),
    )
    setSorted((before) => new Map(before).set(command.id, pile.name))
    setAt((n) => Math.min(commands.length, n + 1))
  }
  return {
    piles,
    commands,
    sorted,
    at,
    hours,
    rateOf,
    sort,
    back: (): void => setAt((n) => Math.max(0, n - 1)),
    skip: (): void => setAt((n) => Math.min(commands.length, n + 1)),
    goTo: setAt,
    setUses: (key: string, uses: number): void =>
      setPiles((before) => before.map((p) => (p.key === key ? { ...p, uses } : p))),
  }
}

export function firstOf(commands: readonly Command[]): readonly string[] {
  return commands
    .toSorted((a, b) => Number(a.usesPerHour > 0) - Number(b.usesPerHour > 0))
    .slice(0, shown)
    .map((c) => c.id)
}

export type PilesView = ReturnType<typeof usePiles>
