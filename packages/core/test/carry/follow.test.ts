import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  canBeLiveTogether,
  characterAt,
  copyArrangement,
  deleteCommand,
  leaveStandard,
  parseTrigger,
  placeCommand,
  prepare,
  readPlan,
  removePlacement,
  sayWhyDeviating,
  triggerKey,
  writePlan,
  type Plan,
  type Trigger,
} from '../../src/index.js'
import {
  followStandard,
  standardOffer,
  standardReport,
  standingOf,
  type StandardChange,
  type StandardOffer,
} from '../../src/carry/index.js'
import { whyUnfit } from '../../src/carry/unfit.js'
import { demo } from '../shuffled.js'

const model = (plan: Plan) => prepare(plan, catalogues)

function offerOf(standard: Plan, plan: Plan): StandardOffer {
  const steps = standardOffer(model(standard), plan, model)
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}
const take = (
  standard: Plan,
  plan: Plan,
  offer = offerOf(standard, plan),
  taken: readonly StandardChange[] = offer.changes.filter((c) => c.isProposed),
): Plan => followStandard(plan, model(standard), offer, taken)

const standingIn = (plan: Plan) => standingOf(plan, model(plan).index)!
const keyOf = (plan: Plan, id: string): string[] =>
  (model(plan).index.triggers.get(id) ?? []).map((t) => triggerKey(t)).sort()

/** The example's draft as a team's standard, of its first program only, so that the tests are quick. */
const [first] = demo.programs
const standard: Plan = {
  ...demo,
  id: 'team',
  name: 'The team',
  memory: { ...demo.memory, sameIdeas: [], otherIdeas: [] },
  routines: [],
  usage: null,
  commands: demo.commands.filter((c) => c.programId === first!.id).map(({ siblingIds: _s, ...c }) => c),
  arrangements: demo.arrangements.map((a) => ({
    ...a,
    placements: a.placements.filter((p) =>
      demo.commands.some((c) => c.id === p.commandId && c.programId === first!.id),
    ),
  })),
}
/** A colleague with the programs' own keys, a laptop and no pad. */
const colleague: Plan = {
  ...copyArrangement(
    { ...standard, id: 'colleague', name: 'A colleague', activeBenchId: 'travel' },
    demo.arrangements.find((a) => a.isDefault)!.id,
    { name: 'Mine' },
  ).plan,
}

describe('following a standard', () => {
  const offer = offerOf(standard, colleague)
  const followed = take(standard, colleague, offer)

  test('keys that do not serve go to the nearest place, which serves and is held once', () => {
    const moved = offer.changes.flatMap((c) => (c.keys.some((k) => k.why === null) ? [] : c.keys))
    expect(new Set(moved.map((k) => k.why))).toContain('not on their bench')
    const found = moved.filter((k) => k.taken !== null)
    expect(found.length).toBeGreaterThan(moved.length / 2)
    expect(found.filter((k) => k.keeps.length > 0).length).toBeGreaterThan(found.length / 2)
    const own = model(followed)
    const after = standardReport(own, own)
    expect(
      after.unfit.filter((u) => found.some((k) => triggerKey(k.taken!) === triggerKey(u.trigger))),
    ).toEqual([])
    const program = followed.programs.find((p) => p.id === first!.id)!
    for (const [key, holders] of own.index.holders)
      for (const a of holders)
        for (const b of holders)
          if (a.id < b.id && found.some((k) => triggerKey(k.taken!) === key))
            expect(canBeLiveTogether(a, b, program), `${a.id} ${b.id} ${key}`).toBe(false)
  })

  test('the plan can be read again, and says what is the standard’s, what deviates and why', () => {
    const again = readPlan(writePlan(followed), 'followed')
    const standing = standingIn(again)
    expect(standing.asStandard.length + standing.deviations.length).toBe(followed.standard!.keys.length)
    expect(standing.asStandard.length).toBeGreaterThan(50)
    const reasons = standing.deviations.map((d) => d.why)
    expect(reasons).toContain('not on my bench')
    expect(standing.lacking).toEqual([])
  })

  test('the same version has nothing to offer any more, and keeps the deviations', () => {
    const next = offerOf(standard, followed)
    expect(next.changes).toEqual([])
    expect(next.keptDeviations).toBe(standingIn(followed).deviations.length)
    expect(take(standard, followed, next).standard).toEqual(followed.standard)
  })

  test('a new version is offered change by change: adopted keys are proposed, own ones are asked about', () => {
    const { asStandard, deviations } = standingIn(followed)
    const adopted = asStandard.find((c) => keyOf(standard, c.id).length === 1)!
    const deviating = deviations.find((d) => d.own.length === 1 && d.key.triggers.length === 1)!.command
    const said = sayWhyDeviating(followed, deviating.id, 'I am used to it')
    const own = model(said)
    const free = [...'QWERTASDFGZXCVB']
      .map((letter) => parseTrigger(`Control+Shift+Key${letter}`))
      .filter((t) => !own.index.holders.has(triggerKey(t)) && whyUnfit(t, adopted, own, own) === null)
    const newer = [adopted, deviating].reduce(
      (plan, c, i) =>
        placeCommand(plan, {
          commandId: c.id,
          trigger: free[i]!,
          replaces: model(plan).index.triggers.get(c.id)!,
        }),
      standard,
    )
    const { changes, keptDeviations } = offerOf(newer, said)
    expect(changes.map((c) => [c.ownId, c.isConflict, c.isProposed])).toEqual(
      expect.arrayContaining([
        [adopted.id, false, true],
        [deviating.id, true, false],
      ]),
    )
    expect(changes).toHaveLength(2)
    expect(keptDeviations).toBe(deviations.length - 1)
    const after = take(newer, said)
    expect(keyOf(after, adopted.id)).toEqual([triggerKey(free[0]!)])
    expect(keyOf(after, deviating.id)).toEqual(keyOf(said, deviating.id))
    expect(standingIn(after).deviations.find((d) => d.command.id === deviating.id)?.why).toBe(
      'I am used to it',
    )
    expect(offerOf(newer, after).changes).toEqual([])
  })

  test('what the standard has no key for any more is asked about, and taken off only if that is wished', () => {
    const gone = standingIn(followed).asStandard[0]!
    const newer = removePlacement(standard, gone.id)
    const next = offerOf(newer, followed)
    expect(next.changes.map((c) => [c.kind, c.ownId, c.isProposed])).toEqual([['gone', gone.id, false]])
    expect(keyOf(take(newer, followed, next), gone.id)).toEqual(keyOf(followed, gone.id))
    expect(keyOf(take(newer, followed, next, next.changes), gone.id)).toEqual([])
  })

  test('commands that a plan lacks come with their program, under an id that is free', () => {
    const [a, b] = standard.commands.filter((c) => keyOf(standard, c.id).length > 0)
    const bare = deleteCommand(colleague, a!.id)
    // another command has its id
    const other: Plan = {
      ...bare,
      programs: bare.programs.map((p) => (p.id === first!.id ? { ...p, id: 'own-id' } : p)),
      commands: bare.commands.map((c) => ({
        ...c,
        programId: c.programId === first!.id ? 'own-id' : c.programId,
        ...(c.id === b!.id && { id: a!.id }),
        oppositeId: undefined,
      })) as Plan['commands'],
      routines: [],
      usage: null,
      arrangements: bare.arrangements.map((r) => ({
        ...r,
        accepted: [],
        placements: r.placements.filter((p) => p.commandId !== b!.id),
      })),
    }
    const after = take(standard, other)
    const own = after.commands.find((c) => c.name === a!.name && c.parameter === a!.parameter)!
    expect(own.id).not.toBe(a!.id)
    expect(own.programId).toBe('own-id')
    expect(after.programs.filter((p) => p.name === first!.name)).toHaveLength(1)
    expect(keyOf(after, own.id).length).toBeGreaterThan(0)
    const refused = take(standard, other, undefined, [])
    expect(refused.commands).toHaveLength(other.commands.length)
    expect(refused.programs).toEqual(other.programs)
  })

  test('contexts that a plan lacks come with the commands that live there, and only with them', () => {
    const a = standard.commands.find((c) => c.contextIds.length > 0 && keyOf(standard, c.id).length > 0)!
    const context = { id: 'night-watch', name: 'Night watch', typing: false, overlaps: [] }
    const team: Plan = {
      ...standard,
      programs: standard.programs.map((p) =>
        p.id === first!.id ? { ...p, contexts: [...p.contexts, context] } : p,
      ),
      commands: standard.commands.map((c) => (c.id === a.id ? { ...c, contextIds: [context.id] } : c)),
    }
    const lacking = deleteCommand(colleague, a.id)
    const contextsIn = (plan: Plan) =>
      plan.programs.find((p) => p.id === first!.id)!.contexts.map((c) => c.id)
    expect(contextsIn(take(team, lacking))).toContain('night-watch')
    expect(contextsIn(take(team, lacking, undefined, []))).toEqual(contextsIn(lacking))
  })

  test('a locked command is not proposed, and leaving the standard moves nothing', () => {
    const locked: Plan = {
      ...colleague,
      rules: { ...colleague.rules, lockedCommandIds: [offer.changes.find((c) => c.has.length > 0)!.ownId] },
    }
    const change = offerOf(standard, locked).changes.find(
      (c) => c.ownId === locked.rules.lockedCommandIds[0],
    )!
    expect([change.isLocked, change.isProposed]).toEqual([true, false])
    const { standard: _followed, ...rest } = followed
    expect(leaveStandard(followed)).toEqual(rest)
  })

  test('on another layout, a program that binds characters has its key where they are typed', () => {
    const binding = (plan: Plan): Plan => ({
      ...plan,
      programs: plan.programs.map((p) => ({ ...p, binds: 'characters' as const })),
    })
    const english = binding({ ...colleague, layoutId: 'us', activeBenchId: 'desk' })
    const there = binding(standard)
    const moved = offerOf(there, english).changes.flatMap((c) =>
      c.keys.filter((k) => k.why === 'another character on their layout'),
    )
    // Y and Z change places between the two layouts
    const kept = moved.filter((k) => k.keeps.includes('letter'))
    expect(kept.length).toBeGreaterThan(0)
    const typed = (plan: Plan, t: Trigger) =>
      'code' in t ? characterAt(model(plan).env.layout, t.code, 1) : null
    for (const k of kept) expect(typed(english, k.taken!)).toBe(typed(there, k.trigger))
  })
})
