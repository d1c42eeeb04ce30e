import type { Command } from '../commands/index.js'
import { characterAt, triggerKey, type Trigger } from '../triggers/index.js'
import type { MnemonicContext } from './context.js'
import { letterRules } from './letter-rules.js'
import { naturalWay, placeRules } from './place-rules.js'
import { noLink, stronger, type Link, type MnemonicScore } from './score.js'

/** How well triggers recall one command; the rules are asked once, and each trigger then is a look-up. */
export interface MnemonicReader {
  /** @param key `triggerKey(trigger)`, where it is known already */
  score(trigger: Trigger, key?: string): MnemonicScore
  /** strongest links to letters and signs, best first */
  readonly letters: readonly Link[]
}

const strongestByTarget = (links: readonly Link[]): Map<string, Link> => {
  const out = new Map<string, Link>()
  for (const link of links) if ((out.get(link.to)?.score ?? -1) < link.score) out.set(link.to, link)
  return out
}

/** A word that more of a program's commands share is no main word. Assumed. */
const mostShared = 0.1

export function mnemonicReader(command: Command, context: MnemonicContext): MnemonicReader {
  const isCommon = (word: string): boolean => context.wordShare(command.programId, word) > mostShared
  const bySign = strongestByTarget(letterRules.flatMap((rule) => rule(command, isCommon)))
  const byTrigger = strongestByTarget(placeRules.flatMap((rule) => rule(command, context)))
  const ways = context.finder.waysOf(command)
  const signOf = (trigger: Trigger): string | null => {
    const printed = 'code' in trigger ? characterAt(context.layout, trigger.code, 1) : null
    return printed === null ? null : printed.toLocaleLowerCase()
  }
  return {
    letters: [...bySign.values()].sort((a, b) => b.score - a.score),
    score(trigger, key = triggerKey(trigger)) {
      const sign = signOf(trigger)
      const code = 'code' in trigger ? trigger.code.toLocaleLowerCase() : null
      const letter = sign === null ? undefined : bySign.get(sign)
      // a hint may name a key that prints no character, such as Delete
      const named = code === null ? undefined : bySign.get(code)
      const found = stronger(letter ?? named, byTrigger.get(key))
      const natural = ways.length > 0 ? naturalWay(ways, trigger) : undefined
      const best = natural ? stronger(found, natural) : found
      return best === noLink ? noLink : { score: best.score, reason: best.reason }
    },
  }
}
