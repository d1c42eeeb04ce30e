import { existsSync } from 'node:fs'
import helmet from '@fastify/helmet'
import fastifyStatic from '@fastify/static'
import Fastify, { type FastifyInstance } from 'fastify'

/**
 * The server of the built app: static files, and the app's page for every address of one of its screens.
 * @param webRoot folder of the built web app
 * @throws Error when the folder has no index.html
 */
export async function buildApp(webRoot: string): Promise<FastifyInstance> {
  if (!existsSync(`${webRoot}/index.html`))
    throw new Error(`There is no built app in ${webRoot}. Run npm run build first.`)
  const app = Fastify({ logger: false })
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
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
  await app.register(fastifyStatic, { root: webRoot, wildcard: false })
  app.get('/health', () => ({ ok: true }))
  app.setNotFoundHandler(async (request, reply) => {
    const wantsPage = request.method === 'GET' && !/\.[a-z0-9]+$/i.test(request.url.split('?')[0] ?? '')
    if (wantsPage) return reply.type('text/html').sendFile('index.html')
    return reply.code(404).send({ error: 'Not found' })
  })
  return app
}
