import type { FastifyInstance } from 'fastify'
import { decode, encode } from '@reach-plot/ipp'
import { faultsSchema } from './faults.js'
import { machineLimits, type Machine } from './machine.js'
import { answer, printerPath } from './operations.js'

/** The stand-in for a label printer: its IPP address, and what a person sees and switches on it. */
export function standIn(app: FastifyInstance, machine: Machine, now: () => number): void {
  app.addContentTypeParser(
    'application/ipp',
    { parseAs: 'buffer', bodyLimit: machineLimits.documentBytes },
    (_request, body, done) => done(null, body),
  )
  app.post(printerPath, { bodyLimit: machineLimits.documentBytes }, async (request, reply) => {
    void reply.type('application/ipp')
    const address = `ipp://${request.headers.host ?? '127.0.0.1'}${printerPath}`
    let message
    try {
      message = decode(request.body as Buffer)
    } catch {
      return encode({ version: '1.1', id: 1, statusCode: 'client-error-bad-request' })
    }
    return encode(answer(machine, message, address, now()))
  })

  app.get('/api/stand-in', () => ({
    state: machine.state,
    reasons: machine.reasons,
    faults: machine.faults,
    jobs: machine.jobs.toReversed().map((job) => ({
      id: job.id,
      name: job.name,
      state: job.state,
      reasons: job.reasons,
      message: job.message,
      pagesTotal: job.pagesTotal,
      pages: job.pages.map(({ widthMm, heightMm }) => ({ widthMm, heightMm })),
    })),
  }))
  app.put('/api/stand-in/faults', async (request, reply) => {
    const read = faultsSchema.safeParse(request.body)
    if (!read.success) return reply.code(400).send({ error: 'Send the list of faults that are on.' })
    machine.setFaults(read.data.faults)
    return { faults: machine.faults }
  })
  app.delete('/api/stand-in/jobs', async (_request, reply) => {
    machine.clear()
    return reply.code(204).send()
  })
  app.get<{ Params: { id: string; page: string } }>(
    '/api/stand-in/jobs/:id/:page.png',
    async (request, reply) => {
      const page = machine.job(Number(request.params.id))?.pages[Number(request.params.page) - 1]
      if (!page) return reply.code(404).send({ error: 'There is no such label.' })
      return reply.type('image/png').header('cache-control', 'no-store').send(Buffer.from(page.png))
    },
  )
}
