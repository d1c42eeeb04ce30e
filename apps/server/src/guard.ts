import type { FastifyInstance } from 'fastify'

const loopback = new Set(['127.0.0.1', 'localhost', '[::1]', '::1'])

export const isLoopback = (hostname: string): boolean => loopback.has(hostname.toLowerCase())

/** Addresses below these do something or tell something; the others are the app's own files. */
const isService = (url: string): boolean => /^\/(api|ipp)(\/|$)/.test(url)

/**
 * Lets only this machine's own pages and programs in: a page from elsewhere that the person has open could otherwise
 * send requests to this server, by its address or by a name that it points here. Browsers say where a request comes from
 * by Origin and Sec-Fetch-Site (Fetch, Fetch Metadata); other programs send neither.
 */
export function guard(app: FastifyInstance): void {
  app.addHook('onRequest', async (request, reply) => {
    const { host, origin, 'sec-fetch-site': site } = request.headers
    const own = hostOf(`http://${host ?? ''}`)
    if (own === null || !isLoopback(own.hostname))
      return reply
        .code(403)
        .send({ code: 'ELSEWHERE', error: 'This server answers only to its own address on this machine.' })
    // the whole origin: the same host and port by another scheme is another page
    const isForeign =
      (origin !== undefined && origin !== own.origin) ||
      (isService(request.url) && site !== undefined && site !== 'same-origin' && site !== 'none')
    if (isForeign)
      return reply
        .code(403)
        .send({ code: 'ELSEWHERE', error: 'Pages from elsewhere may not use this server.' })
    return undefined
  })
}

function hostOf(address: string): URL | null {
  try {
    return new URL(address)
  } catch {
    return null
  }
}
