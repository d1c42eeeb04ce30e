import type { Command } from '../commands/index.js'
import { triggerKey } from '../triggers/index.js'
import type { Finding, Rule } from './finding.js'
import { otherMeaningWords } from './program-words.js'

/** Two meanings of one trigger are worth naming when both are used this often an hour. Assumed. */
const leastUsesPerHour = 5

const most = (commands: readonly Command[]): Command => commands[0] as Command

/** One trigger that means different things in two programs, both of them much used. Told once for each pair. */
export const otherMeaning: Rule = ({ trigger, program, commands }, { env, group, isSameIdea }) =>
  env.programs.flatMap((other): Finding[] => {
    if (other.id <= program.id) return []
    const there = group(other.id, triggerKey(trigger))
    if (!there) return []
    const [a, b] = [most(commands), most(there.commands)]
    if (Math.min(a.usesPerHour, b.usesPerHour) < leastUsesPerHour || isSameIdea(a, b)) return []
    return [
      {
        kind: 'other-meaning',
        severity: 'caution',
        stage: 'consistency',
        ...otherMeaningWords(trigger, env, { command: a, program }, { command: b, program: other }),
        evidence: 'plan',
        commands: [a, b],
      },
    ]
  })

export const consistencyRules: readonly Rule[] = [otherMeaning]
