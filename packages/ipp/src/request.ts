import { randomInt } from 'node:crypto'
import http from 'node:http'
import https from 'node:https'
import { encode, textOf, type IppMessage, type OutMessage } from './codec.js'
import { decodeApart } from './decode-apart.js'
import { IppProblem, refusal } from './problem.js'

/** Waiting for the next byte and for the whole answer, ms; and the most that a printer may answer, bytes. Assumed. */
export const requestLimits = { timeoutMs: 20_000, wholeMs: 120_000, answerBytes: 4_000_000 } as const

/**
 * Where an `ipp:` or `ipps:` address leads by HTTP (RFC 8010: port 631 where none is given).
 * @throws IppProblem `ADDRESS`
 */
export function printerUrl(address: string): URL {
  let url: URL
  try {
    url = new URL(address)
  } catch {
    throw new IppProblem(
      'ADDRESS',
      `“${address.slice(0, 80)}” is no address of a printer. Write it as in ipp://127.0.0.1:631/ipp/print.`,
    )
  }
  const isIpp = url.protocol === 'ipp:' || url.protocol === 'ipps:'
  if (!isIpp || url.username !== '' || url.password !== '' || url.hostname === '')
    throw new IppProblem(
      'ADDRESS',
      `“${address.slice(0, 80)}” is no address of a printer. It must begin with ipp:// or ipps:// and hold no password.`,
    )
  const scheme = url.protocol === 'ipps:' ? 'https' : 'http'
  try {
    // hosts of HTTP are held to more than those of a scheme that URL does not know, such as numbers up to 255
    return new URL(`${scheme}://${url.hostname}:${url.port || '631'}${url.pathname}${url.search}`)
  } catch {
    throw new IppProblem(
      'ADDRESS',
      `“${address.slice(0, 80)}” is no address of a printer: there can be no host “${url.hostname.slice(0, 60)}”. Write it as in ipp://127.0.0.1:631/ipp/print.`,
    )
  }
}

/**
 * One IPP operation.
 * @throws IppProblem `UNREACHABLE` before anything was sent, `BROKEN` after, `NOT_IPP`, `REFUSED` for an error status
 */
export async function ippRequest(
  address: string,
  message: Omit<OutMessage, 'id'>,
  signal?: AbortSignal,
): Promise<IppMessage> {
  const id = randomInt(1, 2 ** 31 - 1)
  const body = encode({
    ...message,
    id,
    operationAttributes: { 'printer-uri': address, ...message.operationAttributes },
  })
  const answer = await post(printerUrl(address), body, signal)
  let read: IppMessage
  try {
    read = await decodeApart(answer)
  } catch {
    throw new IppProblem('NOT_IPP', 'What answers at this address is no IPP printer. Check the address.')
  }
  const status = read.statusCode ?? ''
  if (!status.startsWith('successful'))
    throw refusal(status, textOf(read.operationAttributes, 'status-message'))
  return read
}

function post(url: URL, body: Buffer, signal?: AbortSignal): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    let connected = false
    const fail = (error: unknown): void => {
      const why = (error as NodeJS.ErrnoException).code ?? (error as Error).message
      reject(
        connected
          ? new IppProblem(
              'BROKEN',
              `The line to the printer broke (${why}). It may have the job or not: look before you print again.`,
            )
          : new IppProblem(
              'UNREACHABLE',
              `The printer at ${url.host} does not answer (${why}). Check that it is on and the address is right.`,
            ),
      )
    }
    const request = (url.protocol === 'https:' ? https : http).request(
      url,
      {
        method: 'POST',
        headers: { 'content-type': 'application/ipp', 'content-length': body.length },
        timeout: requestLimits.timeoutMs,
        // a line of its own: one that is kept open may be closed by the printer at the moment of sending, and then
        // nobody knows whether it arrived
        agent: false,
        ...(signal && { signal }),
      },
      (response) => {
        const parts: Buffer[] = []
        let bytes = 0
        response.on('data', (part: Buffer) => {
          bytes += part.length
          if (bytes > requestLimits.answerBytes) request.destroy(new Error('its answer is too long'))
          else parts.push(part)
        })
        response.on('error', fail)
        response.on('end', () => {
          if (response.statusCode === 200) resolve(Buffer.concat(parts))
          else
            reject(
              new IppProblem(
                'NOT_IPP',
                `What answers at this address is no IPP printer (HTTP ${response.statusCode}).`,
              ),
            )
        })
      },
    )
    request.on('socket', (socket) => {
      // nothing is sent over a line that is to be secure before it is
      socket.once(url.protocol === 'https:' ? 'secureConnect' : 'connect', () => (connected = true))
    })
    const whole = setTimeout(() => request.destroy(new Error('no answer in time')), requestLimits.wholeMs)
    request.on('timeout', () => request.destroy(new Error('no answer in time')))
    request.on('error', fail)
    request.on('close', () => {
      clearTimeout(whole)
      // a line that is cut within an answer has no error of its own
      fail(new Error('it ended early'))
    })
    request.end(body)
  })
}
