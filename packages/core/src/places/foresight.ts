import { findClashes, type Clash } from '../clashes/index.js'
import type { PreparedModel } from '../model/index.js'

/** What a change of the plan does to the findings of its arrangement, before it is made. */
export interface Foresight {
  /** findings that come, the gravest first */
  readonly brings: readonly Clash[]
  /** findings that go */
  readonly ends: readonly Clash[]
}

/** Findings are the same when they say the same of the same commands. */
const nameOf = (clash: Clash): string => `${clash.id}\n${clash.commandIds.join()}`

/** The findings that a change brings, and those that it ends. */
export function foresight(before: PreparedModel, after: PreparedModel): Foresight {
  const found = (model: PreparedModel): readonly Clash[] =>
    findClashes(model.arrangement.placements, model.env)
  const [was, then] = [found(before), found(after)]
  const [known, left] = [new Set(was.map(nameOf)), new Set(then.map(nameOf))]
  return {
    brings: then.filter((c) => !known.has(nameOf(c))),
    ends: was.filter((c) => !left.has(nameOf(c))),
  }
}
