import type { FastifyInstance, FastifyReply } from 'fastify'
import { z } from 'zod'
import { IppProblem, printerStatus } from '@reach-plot/ipp'
import { machineLimits } from '../stand-in/machine.js'
import { checkAllowed } from './allow.js'
import type { PrintQueue } from './queue.js'
import { orderSchema } from './ticket.js'

const formats = ['application/pdf', 'image/pwg-raster'] as const
const printerSchema = z.strictObject({ printer: z.string().max(300) })

const noRecord = {
  code: 'UNKNOWN_ORDER',
  error: 'The server has no record of this order. Look at the printer before you print it again.',
} as const

/**
 * Sends documents of the app to printers, and tells how far they are. Whatever reaches out to a printer is a POST, so that
 * no page from elsewhere can make the server do it by a mere address.
 */
export function printing(app: FastifyInstance, queue: PrintQueue): void {
  for (const format of formats)
    app.addContentTypeParser(
      format,
      { parseAs: 'buffer', bodyLimit: machineLimits.documentBytes },
      (_request, body, done) => done(null, body),
    )

  app.get('/api/printers', () => ({ printers: queue.printers }))
  app.post('/api/printers/status', async (request, reply) => {
    const asked = printerSchema.safeParse(request.body)
    if (!asked.success)
      return reply
        .code(400)
        .send({ code: 'ORDER', error: 'Send the address of a printer as {"printer": …}.' })
    const { printer } = asked.data
    return orProblem(reply, async () => {
      checkAllowed(printer, queue.printers)
      return printerStatus(printer)
    })
  })

  app.post('/api/print', { bodyLimit: machineLimits.documentBytes }, async (request, reply) => {
    const format = formats.find((f) => f === request.headers['content-type'])
    if (!format) return reply.code(415).send({ code: 'FORMAT', error: `Send ${formats.join(' or ')}.` })
    const query = orderSchema.safeParse(request.query)
    if (!query.success) {
      const issue = query.error.issues[0]
      return reply.code(400).send({
        code: 'ORDER',
        error: `${issue?.path.join('.') || 'query'}: ${issue?.message ?? 'unreadable'}`,
      })
    }
    const body = request.body as Buffer
    if (body.length === 0) return reply.code(400).send({ code: 'EMPTY', error: 'The document is empty.' })
    if (queue.isBusy)
      return reply
        .code(429)
        .send({ code: 'BUSY', error: 'Other documents are still being sent. Try again in a moment.' })
    return orProblem(reply, () => queue.print(query.data, format, body))
  })
  app.post<{ Params: { ticket: string } }>(
    '/api/print/:ticket/status',
    async (request, reply) => (await queue.status(request.params.ticket)) ?? reply.code(404).send(noRecord),
  )
  app.delete<{ Params: { ticket: string } }>(
    '/api/print/:ticket',
    async (request, reply) => (await queue.cancel(request.params.ticket)) ?? reply.code(404).send(noRecord),
  )
}

async function orProblem<T>(reply: FastifyReply, run: () => Promise<T>): Promise<T | FastifyReply> {
  try {
    return await run()
  } catch (error) {
    if (!(error instanceof IppProblem)) throw error
    return reply.code(error.code === 'ADDRESS' ? 400 : 502).send({ code: error.code, error: error.message })
  }
}
