import { canBeLiveTogether, type Command } from '../commands/index.js'
import type { Idea } from '../mnemonics/index.js'
import { reservedBy, type PlaceIndex } from '../model/index.js'
import { controlRefOf, triggerKey, type Trigger } from '../triggers/index.js'

/** One idea that stands on different triggers in different programs, with the move that ends it. */
export interface DifferingIdea {
  readonly idea: Idea
  readonly placed: readonly { readonly command: Command; readonly triggers: readonly Trigger[] }[]
  /** moves that put them all on the trigger of the most used one; null when that cannot be had for one of them */
  readonly fix:
    | readonly {
        readonly command: Command
        readonly from: Trigger
        readonly to: Trigger
        /** who holds the trigger in that program now */
        readonly holders: readonly Command[]
      }[]
    | null
  /** why there is no fix */
  readonly obstacle: string | null
}

/** Ideas whose commands have no trigger in common, the most used first. Commands without a place are left out. */
export function differingIdeas(index: PlaceIndex): DifferingIdea[] {
  return index.mnemonics.ideas.flatMap((idea): DifferingIdea[] => {
    const placed = idea.commands.flatMap((command) => {
      const triggers = index.triggers.get(command.id) ?? []
      return triggers.length > 0 ? [{ command, triggers }] : []
    })
    const [lead, ...others] = placed
    if (!lead || others.length === 0) return []
    const keys = new Set(lead.triggers.map(triggerKey))
    const apart = others.filter((o) => !o.triggers.some((t) => keys.has(triggerKey(t))))
    if (apart.length === 0) return []
    const reserved = apart.find(
      (o) =>
        index.rules.locks(o.command) || o.triggers.some((t) => index.rules.locksControl(controlRefOf(t))),
    )
    if (reserved) return [{ idea, placed, fix: null, obstacle: `“${reserved.command.name}” is locked.` }]
    // of several triggers of the leading command the first that the others can have
    for (const to of lead.triggers) {
      const moves = apart.map(({ command, triggers }) => ({
        command,
        from: triggers.find((t) => sameKind(t, to)) ?? (triggers[0] as Trigger),
        to,
        holders: rivalsOn(to, command, index),
      }))
      if (moves.every((m) => m.holders.every((c) => !index.rules.locks(c))) && reservedBy(to, index) === null)
        return [{ idea, placed, fix: moves, obstacle: null }]
    }
    return [{ idea, placed, fix: null, obstacle: 'Its key is taken by a locked command, or by the system.' }]
  })
}

const sameKind = (a: Trigger, b: Trigger): boolean => 'code' in a === 'code' in b

function rivalsOn(trigger: Trigger, command: Command, index: PlaceIndex): Command[] {
  const program = index.env.programs.find((p) => p.id === command.programId)
  return (index.holders.get(triggerKey(trigger)) ?? []).filter(
    (c) => c.id !== command.id && program !== undefined && canBeLiveTogether(c, command, program),
  )
}
