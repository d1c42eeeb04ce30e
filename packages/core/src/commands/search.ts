import UFuzzy from '@leeoniya/ufuzzy'
import type { Command } from './command.js'

const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** Folded texts of a command; cached, since a list is searched again with every letter that is typed. */
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

/** One letter wrong, missing, too many or swapped in each word. */
const forgiving = new UFuzzy({ intraMode: 1, intraSub: 1, intraTrn: 1, intraDel: 1, intraIns: 1 })

/** Shorter words would be one letter away from too many others. */
const shortestForgiven = 4

/**
 * Commands whose name, variant or menu path has every word of `query`, best first: names that begin with it, then names
 * that have a word which does, then the rest; within each the most used first. Where nothing has them, one letter of
 * each word may be wrong.
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
  if (ranked.length === 0) return forgivingSearch(commands, words)
  ranked.sort((a, b) => a.rank - b.rank || byUse(a.command, b.command))
  return ranked.map((r) => r.command)
}

function forgivingSearch(commands: readonly Command[], words: readonly string[]): Command[] {
  if (words.length === 0 || words.every((w) => w.length < shortestForgiven)) return []
  const hits = forgiving.filter(
    commands.map((c) => folded(c).text),
    words.join(' '),
  )
  return (hits ?? []).flatMap((at) => commands[at] ?? []).toSorted(byUse)
}

const byUse = (a: Command, b: Command): number => b.usesPerHour - a.usesPerHour || (a.name < b.name ? -1 : 1)

/** Other commands of the same program and name, which only their menu path, contexts or parameter tell apart. */
export const namesakesOf = (command: Command, commands: readonly Command[]): Command[] =>
  commands.filter(
    (c) => c.id !== command.id && c.programId === command.programId && fold(c.name) === fold(command.name),
  )
