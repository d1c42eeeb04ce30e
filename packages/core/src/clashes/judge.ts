import { isSameStep, mnemonicContext, type MnemonicContext } from '../mnemonics/index.js'
import { groupKey, pressStages, type Environment, type GroupKey, type PressStages } from '../model/index.js'
import { triggerKey } from '../triggers/index.js'
import type { Clash, ClashStage } from './clash.js'
import { consistencyRules } from './consistency-rules.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import type { Groups } from './groups.js'
import { hostRules } from './host-rules.js'
import { pressRules } from './press-rules.js'
import { programRules } from './program-rules.js'
import { opensByWords } from './program-words.js'
import { relays } from './relay.js'
import { slipRules } from './slip-rules.js'
import { strokeRules } from './stroke-rules.js'

const rules: readonly Rule[] = [
  ...pressRules,
  ...hostRules,
  relays,
  ...programRules,
  ...strokeRules,
  ...slipRules,
  ...consistencyRules,
]

/** What all rules say of one group, and what they asked to say it: asked again when an answer changes. */
export interface Judgement {
  readonly clashes: readonly Clash[]
  readonly askedGroups: ReadonlySet<GroupKey>
  readonly askedCommands: ReadonlySet<string>
}

/** Judges groups one by one over the same surroundings. */
export class Judge {
  private readonly stages: PressStages
  private readonly mnemonics: MnemonicContext

  constructor(
    private readonly env: Environment,
    private readonly groups: Groups,
  ) {
    this.stages = pressStages(env)
    this.mnemonics = mnemonicContext(env, () => [])
  }

  judge(group: Group): Judgement {
    const askedGroups = new Set<GroupKey>()
    const askedCommands = new Set<string>()
    const context: CheckContext = {
      env: this.env,
      stages: this.stages,
      group: (programId, key) => {
        const asked = groupKey(programId, key)
        askedGroups.add(asked)
        return this.groups.get(asked)
      },
      isPlaced: (id) => {
        askedCommands.add(id)
        return this.groups.isPlaced(id)
      },
      isSent: (programId, key) => this.groups.isSent(groupKey(programId, key)),
      isSameIdea: (a, b) => isSameStep(a, b) || this.mnemonics.sameIdeas(a).some((c) => c.id === b.id),
    }
    const seen = new Map<string, number>()
    const clashes = rules
      .flatMap((rule) => rule(group, context))
      .map((finding) => asClash(this.bySet(finding, group), group, seen))
    return { clashes, askedGroups, askedCommands }
  }

  /** What keeps the press that opens a pop-up set keeps all that stands in it: the finding says which set. */
  private bySet(finding: Finding, { trigger }: Group): Finding {
    if (trigger.kind !== 'popup' || !openerStages.includes(finding.stage)) return finding
    const set = this.env.popups?.find((p) => p.id === trigger.setId)
    return set ? { ...finding, message: opensByWords(set, this.env, finding.message) } : finding
  }
}

/** Stages that the press which opens a pop-up set passes. */
const openerStages: readonly ClashStage[] = ['device', 'system', 'input method', 'host', 'typing']

/** A finding with its trigger and an id: the same in every run, and stored where the person accepts it. */
function asClash(
  { commands, ...part }: Finding,
  { program, trigger }: Group,
  seen: Map<string, number>,
): Clash {
  const base = `${part.kind}:${program.id} ${triggerKey(trigger)}`
  const nth = (seen.get(base) ?? 0) + 1
  seen.set(base, nth)
  return {
    ...part,
    id: nth === 1 ? base : `${base}:${nth}`,
    trigger,
    programId: program.id,
    commandIds: [...new Set(commands.map((c) => c.id))],
  }
}
