import { homedir } from 'node:os'
import { join } from 'node:path'
import { printerUrl } from '@reach-plot/ipp'

/** What the person who runs the server may set. */
export interface Settings {
  readonly port: number
  /** addresses of printers beside those on this machine, as `ipp://host:port/path` */
  readonly printers: readonly string[]
  /** folder where print tickets outlive a restart */
  readonly stateFolder: string
}

/**
 * Reads the settings from the environment: `PORT`, `REACH_PLOT_PRINTERS` (addresses, separated by commas) and
 * `REACH_PLOT_STATE` (a folder).
 * @throws Error that says which one is wrong and how to write it
 */
export function readSettings(environment: Readonly<Record<string, string | undefined>>): Settings {
  const port = Number(environment['PORT'] ?? 4747)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(`PORT is "${environment['PORT']}"; set it to a number from 1 to 65535.`)
  const printers = (environment['REACH_PLOT_PRINTERS'] ?? '')
    .split(',')
    .map((p) => p.trim())
    .filter(Boolean)
  for (const printer of printers) {
    try {
      printerUrl(printer)
    } catch (error) {
      throw new Error(`REACH_PLOT_PRINTERS: ${(error as Error).message}`, { cause: error })
    }
  }
  const state = environment['XDG_STATE_HOME'] ?? join(homedir(), '.local', 'state')
  return { port, printers, stateFolder: environment['REACH_PLOT_STATE'] ?? join(state, 'reach-plot') }
}
