import type { Environment, GroupKey } from '../model/index.js'
import type { Placed } from '../plan/index.js'
import { severities, type Clash } from './clash.js'
import { Groups, type Changes } from './groups.js'
import { Judge, type Judgement } from './judge.js'

/**
 * Checks arrangements over the same surroundings. What a check has found is kept with the questions that it asked, so
 * that after an edit only what the edit touches is judged again.
 */
export interface ClashChecker {
  /** All clashes, most severe first, then by use. Placements of unknown commands are passed over. */
  check(placements: readonly Placed[]): readonly Clash[]
  /** groups (one program on one trigger) that the last check had to judge */
  readonly judged: number
}

/** Who asked for something: the groups to judge again when it changes. */
type Askers<K> = Map<K, Set<GroupKey>>

class IncrementalChecker implements ClashChecker {
  judged = 0
  private readonly groups: Groups
  private readonly judge: Judge
  private readonly judgements = new Map<GroupKey, Judgement>()
  private readonly groupAskers: Askers<GroupKey> = new Map()
  private readonly commandAskers: Askers<string> = new Map()
  private readonly usesOf = new Map<Clash, number>()
  private sorted: readonly Clash[] = []

  constructor(env: Environment) {
    this.groups = new Groups(env)
    this.judge = new Judge(env, this.groups)
  }

  check(placements: readonly Placed[]): readonly Clash[] {
    const again = this.toJudge(this.groups.update(placements))
    this.judged = 0
    if (again.size === 0) return this.sorted
    const gone = new Set<Clash>()
    const fresh: Clash[] = []
    for (const key of again) {
      for (const clash of this.forget(key)) gone.add(clash)
      fresh.push(...this.judgeAnew(key))
    }
    const left = gone.size > 0 ? this.sorted.filter((c) => !gone.has(c)) : this.sorted
    this.sorted = merge(left, fresh.sort(this.order), this.order)
    return this.sorted
  }

  /** The groups that changed, and those whose rules asked for something that did. */
  private toJudge({ groups, commandIds }: Changes): Set<GroupKey> {
    const again = new Set(groups)
    for (const key of groups) for (const asker of this.groupAskers.get(key) ?? []) again.add(asker)
    for (const id of commandIds) for (const asker of this.commandAskers.get(id) ?? []) again.add(asker)
    return again
  }

  private forget(key: GroupKey): readonly Clash[] {
    const old = this.judgements.get(key)
    if (!old) return []
    for (const asked of old.askedGroups) this.groupAskers.get(asked)?.delete(key)
    for (const asked of old.askedCommands) this.commandAskers.get(asked)?.delete(key)
    for (const clash of old.clashes) this.usesOf.delete(clash)
    this.judgements.delete(key)
    return old.clashes
  }

  private judgeAnew(key: GroupKey): readonly Clash[] {
    const group = this.groups.get(key)
    if (!group) return []
    this.judged++
    const judgement = this.judge.judge(group)
    this.judgements.set(key, judgement)
    for (const asked of judgement.askedGroups) addTo(this.groupAskers, asked, key)
    for (const asked of judgement.askedCommands) addTo(this.commandAskers, asked, key)
    return judgement.clashes
  }

  private weightOf(clash: Clash): number {
    let uses = this.usesOf.get(clash)
    if (uses === undefined) this.usesOf.set(clash, (uses = this.groups.usesOf(clash.commandIds)))
    return uses
  }

  private readonly order = (a: Clash, b: Clash): number =>
    severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
    this.weightOf(b) - this.weightOf(a) ||
    (a.id < b.id ? -1 : 1)
}

function addTo<K>(askers: Askers<K>, asked: K, key: GroupKey): void {
  const set = askers.get(asked)
  if (set) set.add(key)
  else askers.set(asked, new Set([key]))
}

/** Two sorted lists as one. */
function merge<T>(a: readonly T[], b: readonly T[], order: (x: T, y: T) => number): T[] {
  const out: T[] = []
  let [i, j] = [0, 0]
  while (i < a.length && j < b.length)
    out.push(order(a[i] as T, b[j] as T) <= 0 ? (a[i++] as T) : (b[j++] as T))
  return [...out, ...a.slice(i), ...b.slice(j)]
}

/** A checker that keeps what it worked out, so that an edit costs only what it touches. */
export const clashChecker = (env: Environment): ClashChecker => new IncrementalChecker(env)

/** All clashes of an arrangement, most severe first, then by use. */
export const findClashes = (placements: readonly Placed[], env: Environment): readonly Clash[] =>
  clashChecker(env).check(placements)
