import { createReadStream, existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { checkFileSize, checkPlanOpens, CoreError, maxPlanBytes, readPlan, type Plan } from '@reach-plot/core'
import { catalogues } from '@reach-plot/data'

export { catalogues }

/** What a verb gives back: text for people, a value for `--json`, and whether there are findings (exit code 1). */
export interface Outcome {
  readonly text: string
  readonly value: unknown
  readonly findings?: boolean
}

/** Exit codes: 0 done, 1 done with findings, 2 bad input. */
export const exitCodes = { done: 0, findings: 1, badInput: 2 } as const

export const usageError = (what: string, remedy: string): CoreError =>
  new CoreError('USAGE', { where: ['command line'], what, remedy })

/**
 * Writes a file that was named on the command line.
 * @throws CoreError `USAGE` when it cannot be written
 */
export function writeOut(path: string, data: string | Uint8Array): void {
  try {
    writeFileSync(path, data)
  } catch (error) {
    throw usageError(
      `"${path.slice(0, 120)}" cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`,
      'name a file in a folder that is there and can be written',
    )
  }
}

/**
 * Writes a file under a name that was not asked for, which takes no other file's place.
 * @throws CoreError `USAGE` when there is a file of that name
 */
export function writeOther(path: string, data: Uint8Array): void {
  if (existsSync(path))
    throw usageError(
      `several pages of this kind come as "${path.slice(0, 120)}", and there is such a file`,
      'name the zip file that you want, or move that one',
    )
  writeOut(path, data)
}

/** Reads the bytes of a file after its size is checked. */
export function readBytesFile(path: string, limit: number): Uint8Array {
  checkReadable(path, limit)
  return readFileSync(path)
}

/** Reads a text file after its size is checked. */
export function readTextFile(path: string, limit: number): string {
  checkReadable(path, limit)
  return readFileSync(path, 'utf8')
}

function checkReadable(path: string, limit: number): void {
  let size: number
  try {
    const found = statSync(path)
    if (found.isDirectory()) throw new Error('a folder')
    size = found.size
  } catch {
    throw new CoreError('FILE_MISSING', {
      where: [path],
      what: 'the file cannot be read',
      remedy: 'check the path',
    })
  }
  checkFileSize(size, limit, path)
}

/** The pieces of a text file after its size is checked, for files that are too large to hold as one text. */
export async function* readPieces(path: string, limit: number): AsyncGenerator<string> {
  checkReadable(path, limit)
  for await (const piece of createReadStream(path, { encoding: 'utf8', highWaterMark: 1_000_000 }))
    yield piece as string
}

export function loadPlan(path: string | undefined): Plan {
  if (path === undefined)
    throw usageError('a plan file is missing', 'name one, such as demo/demo.reachplot.json')
  const file = planFileOf(path)
  const plan = readPlan(readTextFile(file, maxPlanBytes), file)
  checkPlanOpens(plan, catalogues)
  return plan
}

/** The plan file that a path means: of a folder, such as `demo`, the one plan in it. */
function planFileOf(path: string): string {
  if (!statSync(path, { throwIfNoEntry: false })?.isDirectory()) return path
  const plans = readdirSync(path).filter((name) => name.endsWith('.reachplot.json'))
  const [only] = plans
  if (only !== undefined && plans.length === 1) return join(path, only)
  throw usageError(
    `${path} is a folder with ${plans.length} plans`,
    `name one: ${plans.slice(0, 5).join(', ') || 'a file that ends in .reachplot.json'}`,
  )
}

/** Rounds for output, so that the last digits of a solver do not show; Infinity becomes null in JSON. */
export const rounded = (value: number, digits = 3): number | null =>
  Number.isFinite(value) ? Number(value.toFixed(digits)) : null
