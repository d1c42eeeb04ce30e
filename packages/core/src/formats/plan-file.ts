import { readAs } from '../issues.js'
import { CoreError } from '../errors.js'
import { parseJson } from '../json.js'
import { checkReferences } from './references.js'
import { migrate, planSchema, planVersion, type Plan } from '../plan/index.js'

/** Largest plan file that is read, in bytes: hundreds of times the demo's. */
export const maxPlanBytes = 20_000_000

/** @throws CoreError `FILE_TOO_LARGE` when a file of `bytes` is more than `limit`; call it before reading the file */
export function checkFileSize(bytes: number, limit: number, fileName: string): void {
  if (bytes <= limit) return
  throw new CoreError('FILE_TOO_LARGE', {
    where: [fileName],
    what: `the file has ${(bytes / 1e6).toFixed(1)} MB; at most ${limit / 1e6} MB are read`,
    remedy: 'check that it is the right file, or split it',
  })
}

/**
 * Reads a plan file. Nothing is taken from a file that has any fault.
 * @throws CoreError `PLAN_EMPTY`, `PLAN_NOT_JSON`, `PLAN_NOT_A_PLAN`, `PLAN_VERSION`, `PLAN_INVALID`, `PLAN_DANGLING`
 */
export function readPlan(text: string, fileName = 'plan file'): Plan {
  if (text.trim() === '') {
    throw new CoreError('PLAN_EMPTY', {
      where: [fileName],
      what: 'the file is empty',
      remedy: 'choose a file that Reach Plot has exported',
    })
  }
  const parsed = parseJson(text)
  if ('what' in parsed) {
    throw new CoreError('PLAN_NOT_JSON', {
      where: [fileName],
      what: parsed.what,
      remedy: 'choose a .reachplot.json file, or mend the place that is named',
    })
  }
  const raw = parsed.value
  const head = raw as { format?: unknown; version?: unknown } | null
  if (typeof raw !== 'object' || head === null || head.format !== 'reachplot-plan') {
    throw new CoreError('PLAN_NOT_A_PLAN', {
      where: [fileName, 'format'],
      what: 'this is JSON, but not a plan',
      remedy: 'choose a file whose "format" is "reachplot-plan"',
    })
  }
  const migrated = migrate(raw as Record<string, unknown>)
  if (migrated['version'] !== planVersion) {
    throw new CoreError('PLAN_VERSION', {
      where: [fileName, 'version'],
      what: `the plan has version ${versionInWords(head.version)}; this program reads up to version ${planVersion}`,
      remedy: 'open it with the version of Reach Plot that wrote it, or update this one',
    })
  }
  const read = readAs(planSchema, migrated)
  if ('fault' in read) {
    throw new CoreError('PLAN_INVALID', {
      where: [fileName, ...read.fault.path],
      what: read.fault.what,
      remedy: 'mend the field, or export the plan again; `reach-plot schema` prints what each field holds',
    })
  }
  checkReferences(read.data, fileName)
  return read.data
}

const versionInWords = (version: unknown): string =>
  typeof version === 'number' || typeof version === 'string'
    ? String(version).slice(0, 20)
    : 'none that is a number'

/** A plan as the text of its file; `readPlan` gives an equal plan back. */
export const writePlan = (plan: Plan): string => `${JSON.stringify(plan, null, 1)}\n`
