import type { Naming } from '../triggers/index.js'
import type { CandidatePlace } from './places.js'

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)
const quoted = (names: readonly { readonly name: string }[]): string =>
  names.map((c) => `“${c.name}”`).join(', ')

/** Harm that is worth a word, ms a use. Assumed. */
const leastHarmMs = 20

/** Why a place is as good as it is, in one plain sentence (two where it is in somebody's way). */
export function placeReason(place: CandidatePlace, naming: Naming): string {
  const { reach, mnemonic, holders, typesIn, waitsWith, leavesStandard, cost } = place
  const finger = reach.fingers[reach.keys.at(-1) ?? '']
  const parts = [reachWords(place, naming)]
  if (finger && reach.verdict !== 'rest')
    parts[0] += ` with the ${finger}${finger === 'thumb' ? '' : ' finger'}`
  parts.push(lower(mnemonic.reason.replace(/\.$/, '')))
  if (typesIn.length > 0) parts.push(`it types in ${typesIn.join(', ')}`)
  if (leavesStandard) parts.push('it leaves the standard key')
  if (cost.harmMs >= leastHarmMs) parts.push(`slips beside it cost about ${Math.round(cost.harmMs)} ms a use`)
  if (waitsWith.length > 0)
    parts.push(`one has to wait for the other with ${quoted(waitsWith)} on the same key`)
  const first = `${parts.join('; ')}.`
  if (holders.length === 0) return first
  const uses = holders.reduce((sum, c) => sum + c.usesPerHour, 0)
  return `${first} ${quoted(holders)}, used ${Math.round(uses * 10) / 10} times an hour, would have to move.`
}

function reachWords({ reach, trigger }: CandidatePlace, naming: Naming): string {
  if (reach.verdict === 'rest') return 'Under the resting finger'
  if (reach.verdict === 'easy') return 'Easy'
  if (reach.verdict === 'stretch') return 'A stretch'
  if (reach.viaHome !== undefined) return `The hand moves to ${deviceName(reach.viaHome, naming)} and back`
  if (!reach.help)
    return trigger.kind === 'stroke' ? 'Another pointing device has to be taken up' : 'The hand leaves'
  const ms = Math.round(reach.help.timeMs + reach.help.backMs)
  return reach.help.backMs > 0
    ? `The hand leaves, or the other one lets go of what it holds for it, ${ms} ms until it is back`
    : `The hand leaves, or the other one takes a part of it, ${ms} ms`
}

const deviceName = (id: string, naming: Naming): string => naming.legends?.get(`device/${id}`) ?? id
