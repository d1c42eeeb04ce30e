import type { Command } from './command.js'

const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** Folded texts of a command; kept, since a list is searched again with every letter that is typed. */
const known = new WeakMap<Command, { readonly name: string; readonly text: string }>()
function folded(command: Command): { readonly name: string; readonly text: string } {
  let texts = known.get(command)
  if (!texts) {
    const name = fold(command.name)
    texts = { name, text: `${name} ${fold(`${command.parameter ?? ''} ${command.menu.join(' ')}`)}` }
    known.set(command, texts)
  }
  return texts
}

/**
 * Commands whose name or menu path has every word of `query`, best first: names that begin with it, then names that
 * have a word which does, then the rest; within each the most used first.
 */
export function searchCommands(commands: readonly Command[], query: string): Command[] {
  const words = fold(query).split(/\s+/).filter(Boolean)
  const ranked: { command: Command; rank: number }[] = []
  for (const command of commands) {
    const { name, text } = folded(command)
    if (!words.every((word) => text.includes(word))) continue
    const first = words[0] ?? ''
    const rank = name.startsWith(first) ? 0 : name.split(/\s+/).some((w) => w.startsWith(first)) ? 1 : 2
    ranked.push({ command, rank })
  }
  ranked.sort(
    (a, b) =>
      a.rank - b.rank ||
      b.command.usesPerHour - a.command.usesPerHour ||
      (a.command.name < b.command.name ? -1 : 1),
  )
  return ranked.map((r) => r.command)
}

/** Other commands of the same program and name, which only their menu path, contexts or parameter tell apart. */
export const namesakesOf = (command: Command, commands: readonly Command[]): Command[] =>
  commands.filter(
    (c) => c.id !== command.id && c.programId === command.programId && fold(c.name) === fold(command.name),
  )
