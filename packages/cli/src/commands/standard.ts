import { basename } from 'node:path'
import { activeArrangement, prepare, triggerKey, writePlan, type Plan } from '@reach-plot/core'
import {
  followStandard,
  keysInWords,
  standardOffer,
  standardReport,
  standingOf,
  type StandardChange,
  type TakenKey,
} from '@reach-plot/core/carry'
import { catalogues, loadPlan, usageError, writeOut, type Outcome } from '../io.js'
import { defineVerb, text } from '../verb.js'

/** Who follows a standard, who deviates where, and whom it does not serve. */
export const verb = defineVerb({
  name: 'standard',
  summary: 'plans against a standard: who deviates where, and whom it does not serve',
  files: 'STANDARD.json PLAN.json…',
  options: {
    follow: text(
      'NEW.json',
      'of one plan: let it follow the standard, with what is proposed taken over, and write it here',
    ),
  },
  run({ files, options }) {
    const [path, ...others] = files
    if (options.follow !== undefined) return follow(path, others, options.follow)
    if (path === undefined || others.length === 0)
      throw usageError(
        'a standard and at least one plan are needed',
        'write standard STANDARD.json PLAN.json…',
      )
    const model = (plan: Plan) => prepare(plan, catalogues)
    const standard = model(loadPlan(path))
    const people = others.map((file) => ({
      who: basename(file).replace(/\.reachplot\.json$|\.json$/, ''),
      report: standardReport(standard, model(loadPlan(file))),
    }))
    const keys = (triggers: Parameters<typeof keysInWords>[0]): string => keysInWords(triggers, standard.env)
    const commands = standard.plan.commands.flatMap((command) => {
      const who = people.flatMap(({ who: name, report }) => {
        const deviation = report.deviations.find((d) => d.key.commandId === command.id)
        return deviation ? [{ who: name, own: keys(deviation.own), why: deviation.why }] : []
      })
      const unfit = people.flatMap(({ who: name, report }) =>
        report.unfit
          .filter((u) => u.command.id === command.id)
          .map((u) => ({ who: name, key: keys([u.trigger]), why: u.why })),
      )
      return who.length + unfit.length === 0
        ? []
        : [
            {
              command: command.id,
              name: command.name,
              standard: keys(standard.index.triggers.get(command.id) ?? []),
              deviates: who,
              unfit,
            },
          ]
    })
    const byMost = commands.sort(
      (a, b) => b.deviates.length - a.deviates.length || (a.name < b.name ? -1 : 1),
    )
    return {
      findings: byMost.length > 0,
      value: {
        people: people.map(({ who, report }) => ({
          who,
          shared: report.asStandard.length + report.deviations.length,
          deviations: report.deviations.length,
          unfit: report.unfit.length,
          ours: report.ours.length,
          lacking: report.lacking.map((c) => c.commandId),
        })),
        commands: byMost,
      },
      text: [
        ...people.map(
          ({ who, report }) =>
            `${who}: ${report.deviations.length} of ${report.asStandard.length + report.deviations.length} commands deviate, ${report.ours.length} are their own, ${report.unfit.length} keys of the standard do not serve, ${report.lacking.length} commands are lacking`,
        ),
        ...byMost.map((c) =>
          [
            `${c.name} (${c.standard}):`,
            ...c.deviates.map((d) => `${d.who} has ${d.own}${d.why === '' ? '' : `, since ${d.why}`};`),
            ...c.unfit.map((u) => `${u.key} for ${u.who}: ${u.why};`),
          ].join(' '),
        ),
      ].join('\n'),
    }
  },
})

/** One plan follows the standard, with the changes that are proposed. */
function follow(path: string | undefined, others: readonly string[], out: string): Outcome {
  const [file] = others
  if (path === undefined || file === undefined || others.length > 1)
    throw usageError(
      '--follow needs a standard and one plan',
      'write standard STANDARD.json PLAN.json --follow NEW.json',
    )
  const model = (of: Plan) => prepare(of, catalogues)
  const [standard, plan] = [model(loadPlan(path)), loadPlan(file)]
  if (activeArrangement(plan).isDefault)
    throw usageError(
      `the arrangement in front of ${basename(file)} holds the programs’ own keys, which are never changed`,
      'copy it in the app, or put another to the front',
    )
  const steps = standardOffer(standard, plan, model)
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  const offer = step.value
  const followed = followStandard(
    plan,
    standard,
    offer,
    offer.changes.filter((c) => c.isProposed),
  )
  writeOut(out, writePlan(followed))
  const own = model(followed)
  const standing = standingOf(followed, own.index)
  const keyInWords = ({ trigger, taken, why, keeps }: TakenKey, others: readonly TakenKey[]): string => {
    if (!taken && others.some((o) => o.taken)) return `${keysInWords([trigger], own.env)} left out (${why})`
    const place = taken ? keysInWords([taken], own.env) : 'nothing free'
    const kept = keeps.length > 0 ? `; keeps the ${keeps.join(' and the ')}` : ''
    return why === null ? place : `${place} (${why}${kept})`
  }
  const said = (c: StandardChange): string => {
    const keys = c.keys.length > 0 ? c.keys.map((k) => keyInWords(k, c.keys)).join(', ') : 'no key'
    const stays = c.isConflict ? '; both changed it, yours stays' : c.isLocked ? '; locked, stays' : ''
    return `${c.command.name}: ${keysInWords(c.has, own.env)} → ${keys}${stays}`
  }
  return {
    findings: offer.changes.some((c) => !c.isProposed),
    value: {
      out,
      asBefore: offer.same,
      asFarAsItServes: offer.asFarAsItServes.map((c) => c.ownId),
      keptDeviations: offer.keptDeviations,
      changes: offer.changes.map((c) => ({
        command: c.ownId,
        kind: c.kind,
        has: c.has.map((t) => triggerKey(t)),
        keys: c.keys.map((k) => ({
          standard: triggerKey(k.trigger),
          taken: k.taken && triggerKey(k.taken),
          why: k.why,
          keeps: k.keeps,
        })),
        taken: c.isProposed,
        conflict: c.isConflict,
        locked: c.isLocked,
        givesWay: c.givesWay.map((g) => g.command.id),
      })),
      deviations: standing?.deviations.map((d) => ({ command: d.command.id, why: d.why })),
    },
    text: [
      `${offer.changes.filter((c) => c.isProposed).length} of ${offer.changes.length} changes are taken over; ${standing?.deviations.length ?? 0} commands deviate.`,
      ...offer.changes.map(said),
    ].join('\n'),
  }
}
