/** The demo, as it is and with more commands than it has. */
import { readFileSync } from 'node:fs'
import { activeArrangement, readPlan, type Command, type Plan } from '../src/index.js'

export const demo = readPlan(
  readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
)

/** The demo with its commands repeated, each copy a program of its own. */
export function grownDemo(count: number): Plan {
  const copies = Array.from({ length: Math.ceil(count / demo.commands.length) }, (_, i) => i)
  const named = (id: string, i: number): string => `${id}-${i}`
  const commands = copies
    .flatMap((i) =>
      demo.commands.map((c): Command => {
        const { oppositeId, siblingIds: _siblings, ...rest } = c
        return {
          ...rest,
          id: named(c.id, i),
          programId: named(c.programId, i),
          ...(oppositeId !== undefined && { oppositeId: named(oppositeId, i) }),
        }
      }),
    )
    .slice(0, count)
  const ids = new Set(commands.map((c) => c.id))
  const arrangement = activeArrangement(demo)
  return {
    ...demo,
    programs: copies.flatMap((i) => demo.programs.map((p) => ({ ...p, id: named(p.id, i) }))),
    commands: commands.map((c) => {
      const { oppositeId, ...rest } = c
      return oppositeId !== undefined && ids.has(oppositeId) ? c : rest
    }),
    arrangements: [
      {
        ...arrangement,
        placements: copies
          .flatMap((i) => arrangement.placements.map((p) => ({ ...p, commandId: named(p.commandId, i) })))
          .filter((p) => ids.has(p.commandId)),
      },
    ],
    activeArrangementId: arrangement.id,
  }
}
