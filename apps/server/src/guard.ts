import type { FastifyInstance } from 'fastify'

const loopback = new Set(['127.0.0.1', 'localhost', '[::1]', '::1'])

export const isLoopback = (hostname: string): boolean => loopback.has(hostname.toLowerCase())

/**
 * Lets only this machine's own pages and programs in: a page from elsewhere that the person has open could otherwise
 * send requests to this server, by its address or by a name that it points here.
 */
export function guard(app: FastifyInstance): void {
  app.addHook('onRequest', async (request, reply) => {
    const host = hostOf(`http://${request.headers.host ?? ''}`)
    if (host === null || !isLoopback(host.hostname))
      return reply.code(403).send({ error: 'This server answers only to its own address on this machine.' })
    const { origin } = request.headers
    if (origin !== undefined && hostOf(origin)?.host !== host.host)
      return reply.code(403).send({ error: 'Pages from elsewhere may not use this server.' })
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
