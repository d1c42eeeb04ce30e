import {
  canBeLiveTogether,
  differingIdeas,
  letterConflicts,
  recallMean,
  recallOf,
  triggerKey,
  triggerName,
} from '@reach-plot/core'
import { deskOf } from '../desk.js'
import { loadPlan, rounded, type Outcome } from '../io.js'
import { number, readOptions } from '../options.js'

export const help = 'mnemonics PLAN.json [--top 10]'

/** How well the arrangement recalls its commands: the figure, the weakest, letters in dispute, ideas that differ. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['top'])
  const plan = loadPlan(files[0])
  const top = number('top', options['top'], 10, 1, 5000)
  const { around, survey } = deskOf(plan)
  const recalls = recallOf(plan.commands, (id) => survey.triggers.get(id) ?? [], survey.readerOf)
  const mean = recallMean(recalls)
  const conflicts = plan.programs.flatMap((program) =>
    letterConflicts(
      plan.commands.filter((c) => c.programId === program.id),
      survey.mnemonics,
      (a, b) => canBeLiveTogether(a, b, program),
    ).map((conflict) => ({ program, ...conflict })),
  )
  const ideas = differingIdeas(survey)
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
        .map((r) => `  ${r.command.name} on ${triggerName(r.trigger, around)}: ${r.reason}`),
      `${conflicts.length} letters wanted by several commands; ${ideas.length} ideas on different triggers`,
      ...ideas
        .slice(0, top)
        .map((i) =>
          i.placed
            .map((p) => `${p.command.name}: ${p.triggers.map((t) => triggerName(t, around)).join(', ')}`)
            .join(' | '),
        )
        .map((line) => `  ${line}`),
    ].join('\n'),
  }
}
