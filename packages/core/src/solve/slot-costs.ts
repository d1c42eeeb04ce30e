import { clashChecker, isPointed, ownHarm, severities, type Clash } from '../clashes/index.js'
import { liveContexts, type Command } from '../commands/index.js'
import { mnemonicContext, mnemonicReader, type MnemonicContext } from '../mnemonics/index.js'
import { reservedBy, type PlaceIndex } from '../model/index.js'
import {
  desktopKeyClash,
  pageFor,
  recallShare,
  typingCost,
  typingShare,
  usualHoursPerDay,
} from '../places/index.js'
import { defaultPayBackDays, type PlaceWeights } from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { menuLevels, menuMs, learnerOf, relearnUses } from '../work/index.js'
import { isOnDevice, type ProblemInput, type SolveRow, type SolveScope, type SolveSlot } from './rows.js'

/** A further place is worth keeping by this much an hour, and for each use, ms. Assumed. */
const furtherWorth = { flat: 400, use: 30 } as const
/** A clash above caution costs this, and for each use (of the rarer command) twice the clash weight, ms. Assumed. */
export const troubleMs = 2000
/** A command is not put on a key that types where more of its uses than this happen. Assumed. */
const mostTyped = 0.5
/** A key that types where text is typed costs by the uses there, and is no worse than that. */
export const isCounted = (clash: Clash): boolean => clash.stage === 'typing' && clash.severity === 'shadows'
/** Clashes that a placement has by itself, and that no arrangement of others would mend. */
const isOwnTrouble = (clash: Clash): boolean =>
  clash.kind !== 'default-lost' &&
  !isCounted(clash) &&
  severities.indexOf(clash.severity) < severities.indexOf('caution')

/** What each row costs on each slot, ms an hour; how well slots recall rows by themselves; the cost of having no slot. */
export function slotCosts(
  { model: { plan, index }, clashes }: ProblemInput,
  rows: readonly SolveRow[],
  slots: readonly SolveSlot[],
  {
    initialSlot,
    fixed,
    weight,
    scope,
  }: {
    readonly initialSlot: Int32Array
    readonly fixed: Uint8Array
    readonly weight: Float64Array
    readonly scope: SolveScope
  },
): { costs: Float64Array; scores: Float32Array; unassignedCost: Float64Array } {
  const { weights, payBackDays: days = defaultPayBackDays } = plan
  const { env } = index
  const costs = new Float64Array(rows.length * slots.length).fill(Infinity)
  const scores = new Float32Array(rows.length * slots.length)
  const unassignedCost = new Float64Array(rows.length)
  const worstNow = new Map<string, number>()
  for (const clash of clashes)
    for (const id of clash.commandIds) {
      const name = `${id} ${triggerKey(clash.trigger)}`
      worstNow.set(name, Math.min(worstNow.get(name) ?? 9, severities.indexOf(clash.severity)))
    }
  const isTrouble = troubleOf(index, slots)
  const declined = new Set((env.rules?.declined ?? []).map((d) => `${d.commandId} ${d.key}`))
  const pricing = pricingOf(index, weights, days, learnerOf(plan))
  rows.forEach(({ command, role }, i) => {
    const at = initialSlot[i] as number
    const uses = weight[i] as number
    const base = i * slots.length
    const worst = at >= 0 ? (worstNow.get(`${command.id} ${slots[at]?.key ?? ''}`) ?? 9) : 9
    if (role === 'further') {
      const worth = furtherWorth.flat + furtherWorth.use * command.usesPerHour
      unassignedCost[i] = worth
      costs[base + at] = worst < severities.indexOf('caution') ? 2 * worth : 0
      return
    }
    const byMenu = uses * menuMs(menuLevels(command).length, env.menusKnown)
    unassignedCost[i] = byMenu
    const row = rowPrices(command, uses, pricing)
    const costOn = (p: number): number => {
      const { ms, score } = row.on(slots[p] as SolveSlot)
      scores[base + p] = score
      return ms
    }
    if (fixed[i] === 0)
      for (let p = 0; p < slots.length; p++) {
        const { candidate: slot, handMs } = slots[p] as SolveSlot
        if (slot.reserved !== null || slot.barred || slot.locked || !Number.isFinite(handMs)) continue
        if (scope.deviceId !== undefined && !isOnDevice(slot.trigger, scope.deviceId, index)) continue
        if ((row.isTyped && slot.types) || declined.has(`${command.id} ${slot.key}`)) continue
        if (isOtherPage(slot.trigger, command, index) || isTrouble(command, p)) continue
        costs[base + p] = costOn(p)
        if (p !== at) costs[base + p] = (costs[base + p] as number) + row.learning(scores[base + p] as number)
      }
    if (at < 0) return
    const own = costOn(at)
    // a press that never arrives leaves the menu, and a dead key that stands in nobody's place
    costs[base + at] =
      worst === 0 || !Number.isFinite(own)
        ? byMenu + furtherWorth.flat
        : own +
          (worst < severities.indexOf('caution') && isTrouble(command, at)
            ? troubleMs + 2 * uses * weights.clashMs
            : 0)
  })
  return { costs, scores, unassignedCost }
}

/** What all rows are priced by. */
interface Pricing {
  readonly index: PlaceIndex
  readonly weights: PlaceWeights
  /** active hours of a day, and the days in which a new place should pay */
  readonly hours: number
  readonly days: number
  /** what names recall by themselves, wherever the others stand */
  readonly alone: MnemonicContext
  /** presses an hour of each program's commands */
  readonly learner: ReturnType<typeof learnerOf>
  readonly presses: ReadonlyMap<string, number>
}

function pricingOf(
  index: PlaceIndex,
  weights: PlaceWeights,
  days: number,
  learner: Pricing['learner'],
): Pricing {
  const { env } = index
  const presses = new Map<string, number>()
  for (const { programId, usesPerHour } of env.commands)
    presses.set(programId, (presses.get(programId) ?? 0) + usesPerHour)
  return {
    index,
    weights,
    hours: env.hoursPerDay ?? usualHoursPerDay,
    days,
    alone: mnemonicContext(env, () => []),
    presses,
    learner,
  }
}

/** What one row costs on any slot by itself, ms an hour. */
interface RowPrices {
  /** too much of its use is where text is typed for a key that types */
  readonly isTyped: boolean
  on(slot: SolveSlot): { readonly ms: number; readonly score: number }
  /** what is learned once, spread over the hours of the days in which it should pay */
  learning(score: number): number
}

function rowPrices(command: Command, uses: number, pricing: Pricing): RowPrices {
  const { index, weights, hours, days, alone, presses, learner } = pricing
  const { env } = index
  const reader = mnemonicReader(command, alone)
  const program = env.programs.find((x) => x.id === command.programId)
  const recallMs = weights.recallMs * recallShare(uses, hours)
  const typedMs = program ? weights.clashMs * typingCost(command, program, env) : 0
  const usesInDays = uses * hours * days
  return {
    isTyped:
      program !== undefined &&
      program.restsWhileTyping !== true &&
      typingShare(command, program, env) > mostTyped,
    on(slot) {
      const { score } = reader.score(slot.trigger, slot.key)
      const harmMs = ownHarm(command, slot.trigger, {
        isAtRest: slot.reach.verdict === 'rest',
        isPointing: isPointed(slot.trigger, index.pointing),
        pressesPerHour: presses.get(command.programId) ?? 0,
        slips: env.slips,
      })
      const useMs =
        slot.handMs +
        recallMs * (1 - score) +
        (slot.candidate.types ? typedMs : 0) +
        weights.clashMs * desktopKeyClash(slot.trigger, env)
      return { ms: uses * useMs + harmMs, score }
    },
    learning: (score) => (relearnUses(score, usesInDays, learner) * learner.ms) / (hours * days),
  }
}

/** A page that follows another program. */
function isOtherPage(trigger: Trigger, command: Command, index: PlaceIndex): boolean {
  return (
    'pageId' in trigger &&
    trigger.pageId !== undefined &&
    pageFor(trigger.deviceId, command.programId, index.env) !== trigger.pageId
  )
}

/** Whether a command on a slot would have a clash above caution by itself; asked once for commands that live alike. */
function troubleOf(
  index: PlaceIndex,
  slots: readonly SolveSlot[],
): (command: Command, slot: number) => boolean {
  const checker = clashChecker(index.env)
  const known = new Map<string, Int8Array>()
  return (command, p) => {
    const program = index.env.programs.find((x) => x.id === command.programId)
    const name = program ? `${program.id} ${[...liveContexts(command, program)].sort().join()}` : ''
    let answers = known.get(name)
    if (!answers) known.set(name, (answers = new Int8Array(slots.length).fill(-1)))
    if (answers[p] === -1) {
      const { trigger } = slots[p] as SolveSlot
      const clashes = checker.check([{ commandId: command.id, trigger }])
      const isWrong = clashes.some((c) => isOwnTrouble(c) && c.commandIds.includes(command.id))
      // what the host keeps or the pointer does by itself is no place that is proposed
      answers[p] = isWrong || reservedBy(trigger, index, program) !== null ? 1 : 0
    }
    return answers[p] === 1
  }
}
