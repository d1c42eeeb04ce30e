import type { FastifyInstance } from 'fastify'
import { IppProblem, printerStatus } from '@reach-plot/ipp'
import { machineLimits } from '../stand-in/machine.js'
import { checkAllowed } from './allow.js'
import type { PrintQueue } from './queue.js'
import { orderSchema } from './ticket.js'

const formats = ['application/pdf', 'image/pwg-raster'] as const

/** Sends documents of the app to printers, and tells how far they are. */
export function printing(app: FastifyInstance, queue: PrintQueue): void {
  for (const format of formats)
    app.addContentTypeParser(
      format,
      { parseAs: 'buffer', bodyLimit: machineLimits.documentBytes },
      (_request, body, done) => done(null, body),
    )

  app.get('/api/printers', () => ({ printers: queue.printers }))
  app.get<{ Querystring: { printer?: string } }>('/api/printers/status', async (request, reply) => {
    try {
      const address = request.query.printer ?? ''
      checkAllowed(address, queue.printers)
      return await printerStatus(address)
    } catch (error) {
      if (error instanceof IppProblem)
        return reply.code(error.code === 'ADDRESS' ? 400 : 502).send({ error: error.message })
      throw error
    }
  })

  app.post('/api/print', { bodyLimit: machineLimits.documentBytes }, async (request, reply) => {
    const format = formats.find((f) => f === request.headers['content-type'])
    if (!format) return reply.code(415).send({ error: `Send ${formats.join(' or ')}.` })
    const query = orderSchema.safeParse(request.query)
    if (!query.success) {
      const issue = query.error.issues[0]
      return reply
        .code(400)
        .send({ error: `${issue?.path.join('.') ?? 'query'}: ${issue?.message ?? 'unreadable'}` })
    }
    const body = request.body as Buffer
    if (body.length === 0) return reply.code(400).send({ error: 'The document is empty.' })
    if (queue.isBusy)
      return reply.code(429).send({ error: 'Other documents are still being sent. Try again in a moment.' })
    return queue.print(query.data, format, body)
  })
  app.get<{ Params: { ticket: string } }>('/api/print/:ticket', async (request, reply) => {
    const ticket = await queue.status(request.params.ticket)
    return (
      ticket ??
      reply.code(404).send({ error: 'The server knows nothing of this order. Nothing was printed.' })
    )
  })
  app.delete<{ Params: { ticket: string } }>('/api/print/:ticket', async (request, reply) => {
    const ticket = await queue.cancel(request.params.ticket)
    return (
      ticket ??
      reply.code(404).send({ error: 'The server knows nothing of this order. Nothing was printed.' })
    )
  })
}
