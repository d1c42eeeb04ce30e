/** Bench of the check: 1,200 placements in six contexts, on three systems; and the check after one edit. */
import { layouts, systems } from '@reach-plot/data'
import {
  boardControls,
  chord,
  clashChecker,
  findClashes,
  isModifierCode,
  type Modifier,
} from '../src/index.js'
import { envWith, command, program } from '../test/build.js'
import { median, per, timed } from './timing.js'

const contexts = ['overview', 'tracing', 'labelling', 'sheet', 'review', 'tag']
const modifierSets: Modifier[][] = Array.from({ length: 16 }, (_, bits) =>
  (['Control', 'Shift', 'Alt', 'Meta'] as const).filter((_m, i) => (bits >> i) & 1),
)

export function benchCheck(): void {
  const controls = boardControls('iso-105', 'windows')
  const commands = Array.from({ length: 1200 }, (_, i) =>
    command(`Command ${i}`, {
      id: `c${i}`,
      usesPerHour: i % 97,
      contextIds: [contexts[i % 6] as string],
      ...(i % 40 === 0 && { damage: { level: 'loss' as const, wayOut: 'Undo' } }),
    }),
  )
  const codes = controls.flatMap((c) => (c.code === null || isModifierCode(c.code) ? [] : [c.code]))
  const placements = commands.map((c, i) => ({
    commandId: c.id,
    trigger: chord(codes[(i * 7) % codes.length] as string, modifierSets[(i * 5) % 16]),
  }))
  const owner = program({
    contexts: contexts.map((id, i) => ({
      id,
      name: id,
      typing: i === 2,
      overlaps: i === 0 ? ['tracing'] : [],
    })),
  })
  for (const system of systems) {
    const environmentOf = envWith(commands, {
      programs: [owner],
      controls,
      layout: layouts.find((l) => l.id === 'de')!,
      systemId: system.id as 'gnome',
      system,
    })
    const whole = () => findClashes(placements, environmentOf)
    whole()
    const ms = median(Array.from({ length: 9 }, () => timed(whole).ms))
    const checker = clashChecker(environmentOf)
    checker.check(placements)
    let at = 0
    let current = placements
    const edit = () => {
      at = (at + 37) % placements.length
      current = current.with(at, {
        commandId: `c${at}`,
        trigger: chord(codes[(at * 11) % codes.length] as string, ['Alt']),
      })
      return checker.check(current)
    }
    edit()
    const once = median(Array.from({ length: 41 }, () => timed(edit).ms))
    const same =
      JSON.stringify(checker.check(current)) === JSON.stringify(findClashes(current, environmentOf))
    console.log(
      `${system.name}: whole check of ${placements.length} placements in 6 contexts (${whole().length} findings) ${per(ms)}; after one edit ${per(once)}, ${Math.round(ms / once)} times cheaper (at least 20 wanted); the same answer: ${same}`,
    )
  }
}
