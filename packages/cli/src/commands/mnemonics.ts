import {
  canBeLiveTogether,
  differingIdeas,
  letterConflicts,
  recallMean,
  recallOf,
  triggerKey,
  triggerName,
} from '@reach-plot/core'
import { rounded } from '../io.js'
import { openPlan } from '../loaded-plan.js'
import { defineVerb, numberOr } from '../verb.js'

/** How well the arrangement recalls its commands: the figure, the weakest, letters in dispute, ideas that differ. */
export const verb = defineVerb({
  name: 'mnemonics',
  summary: 'how well the arrangement recalls its commands',
  files: 'PLAN.json',
  options: {
    top: numberOr(10, 1, 5000, 'how many of the weakest'),
  },
  run({ files, options }) {
    const { plan, model } = openPlan(files[0])
    const { env, index } = model
    const { top } = options
    const recalls = recallOf(plan.commands, (id) => index.triggers.get(id) ?? [], index.readerOf)
    const mean = recallMean(recalls)
    const conflicts = plan.programs.flatMap((program) =>
      letterConflicts(
        plan.commands.filter((c) => c.programId === program.id),
        index.mnemonics,
        (a, b) => canBeLiveTogether(a, b, program),
      ).map((conflict) => ({ program, ...conflict })),
    )
    const ideas = differingIdeas(index)
    return {
      value: {
        mean: mean === null ? null : rounded(mean),
        weakest: recalls.slice(0, top).map((r) => ({
          command: r.command.id,
          trigger: triggerKey(r.trigger),
          score: r.score,
          reason: r.reason,
        })),
        letterConflicts: conflicts.map((c) => ({
          program: c.program.id,
          letter: c.letter,
          claimants: c.claimants.map((x) => ({ command: x.id, next: c.next.get(x.id)?.to ?? null })),
        })),
        differingIdeas: ideas.map((i) => ({
          commands: i.placed.map((p) => ({ command: p.command.id, triggers: p.triggers.map(triggerKey) })),
          fix: i.fix?.map((m) => ({ command: m.command.id, to: triggerKey(m.to) })) ?? null,
          obstacle: i.obstacle,
        })),
      },
      text: [
        `Mnemonic score ${mean === null ? '–' : rounded(mean, 2)}, weighted by use`,
        'Weakest:',
        ...recalls
          .slice(0, top)
          .map((r) => `  ${r.command.name} on ${triggerName(r.trigger, env)}: ${r.reason}`),
        `${conflicts.length} letters wanted by several commands; ${ideas.length} ideas on different triggers`,
        ...ideas
          .slice(0, top)
          .map((i) =>
            i.placed
              .map((p) => `${p.command.name}: ${p.triggers.map((t) => triggerName(t, env)).join(', ')}`)
              .join(' | '),
          )
          .map((line) => `  ${line}`),
      ].join('\n'),
    }
  },
})
