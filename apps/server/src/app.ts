import { existsSync } from 'node:fs'
import helmet from '@fastify/helmet'
import fastifyStatic from '@fastify/static'
import Fastify, { type FastifyError, type FastifyInstance } from 'fastify'
import { guard } from './guard.js'
import { PrintQueue } from './print/queue.js'
import { printing } from './print/plugin.js'
import type { Settings } from './settings.js'
import { Machine } from './stand-in/machine.js'
import { standIn } from './stand-in/plugin.js'

/** Time for a whole request to arrive, and for a line that says nothing, ms. Assumed. */
const timeLimits = { requestTimeout: 60_000, connectionTimeout: 120_000 } as const

/** What a request that cannot be read is told, by HTTP status. */
const refusals: Readonly<Record<number, string>> = {
  400: 'The request cannot be read.',
  413: 'That is larger than the server takes.',
  415: 'The server does not take this kind of content.',
}

export interface AppOptions extends Pick<Settings, 'printers' | 'stateFolder'> {
  /** what the slow stand-in takes for a page, ms */
  readonly slowMs?: number
}

/**
 * The server of the built app: static files, the app's page for every address of one of its screens, printing, and the
 * stand-in for a label printer.
 * @param webRoot folder of the built web app
 * @throws Error when the folder has no index.html
 */
export async function buildApp(webRoot: string, options: AppOptions): Promise<FastifyInstance> {
  if (!existsSync(`${webRoot}/index.html`))
    throw new Error(`There is no built app in ${webRoot}. Run npm run build first.`)
  const app = Fastify({ logger: false, ...timeLimits, bodyLimit: 64_000 })
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        // the renderer of label pictures is WebAssembly
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // React sets style attributes; no style can run anything
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        // served over plain http on the loopback interface
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: false,
  })
  // after the headers, so that who is turned away gets them too
  guard(app)
  app.setErrorHandler((error: FastifyError, _request, reply) => {
    const code = error.statusCode ?? 500
    if (code < 500) return reply.code(code).send({ code: error.code, error: refusals[code] ?? refusals[400] })
    console.error(error)
    return reply
      .code(500)
      .send({ code: 'SERVER', error: 'Something went wrong in the server. Its own window says what.' })
  })
  await app.register(fastifyStatic, {
    root: webRoot,
    wildcard: false,
    cacheControl: false,
    preCompressed: true,
    setHeaders: (reply, path) => {
      // names of built files hold a hash of what is in them, so they never need to be asked for again
      const isHashed = path.startsWith(`${webRoot}/assets/`)
      reply.setHeader('cache-control', isHashed ? 'public, max-age=31536000, immutable' : 'no-cache')
    },
  })
  app.get('/health', () => ({ ok: true }))
  const now = (): number => Date.now() / 1000
  standIn(app, new Machine({ slowMs: options.slowMs ?? 1500, now }), now)
  const queue = await PrintQueue.open(options.stateFolder, options.printers)
  printing(app, queue)
  app.addHook('onClose', () => queue.close())
  app.setNotFoundHandler(async (request, reply) => {
    const path = request.url.split('?')[0] ?? ''
    const wantsPage = request.method === 'GET' && !/\.[a-z0-9]+$/i.test(path) && !path.startsWith('/api/')
    if (wantsPage) return reply.type('text/html').sendFile('index.html')
    return reply.code(404).send({ code: 'NOT_FOUND', error: 'There is nothing at this address.' })
  })
  return app
}
