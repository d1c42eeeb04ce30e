import { severities, type Clash, type ClashStage, type Severity } from './clash.js'

/** One cause with all that it does: what one change would mend. */
export interface Cause {
  readonly text: string
  readonly severity: Severity
  readonly stage: ClashStage
  readonly clashes: readonly Clash[]
}

/** Clashes grouped by their cause, in the order of the worst of each. */
export function causesOf(clashes: readonly Clash[]): Cause[] {
  const groups = new Map<string, Clash[]>()
  for (const clash of clashes) {
    const key = `${clash.stage} ${clash.cause}`
    const group = groups.get(key)
    if (group) group.push(clash)
    else groups.set(key, [clash])
  }
  return [...groups.values()]
    .map((group): Cause => {
      const first = group[0] as Clash
      return { text: first.cause, severity: first.severity, stage: first.stage, clashes: group }
    })
    .sort((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity))
}
