import { IppProblem, printerUrl } from '@reach-plot/ipp'
import { isLoopback } from '../guard.js'

/**
 * Lets an address through when it is on this machine or in the server's list, so that the server cannot be used to
 * reach into the network.
 * @throws IppProblem `ADDRESS`
 */
export function checkAllowed(address: string, listed: readonly string[]): void {
  const url = printerUrl(address)
  if (isLoopback(url.hostname)) return
  if (listed.some((known) => printerUrl(known).href === url.href)) return
  throw new IppProblem(
    'ADDRESS',
    `${url.host} is not in the server's list of printers. Start the server with REACH_PLOT_PRINTERS=${address.slice(0, 120)} to allow it.`,
  )
}
