import { randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { CoreError } from '@reach-plot/core'
import { choosePrintForm, documentFile } from '@reach-plot/print'
import { mediaOf, pageSizeMm } from '@reach-plot/core/drawing'
import {
  findJob,
  IppProblem,
  isOver,
  jobStatus,
  printerStatus,
  sendOrder,
  type JobStatus,
} from '@reach-plot/ipp'
import { loadPlan, usageError } from '../io.js'
import { defineVerb, choice, numberOr, text } from '../verb.js'
import { sheetOf, sheetOptions } from '../sheet.js'

const pollMs = 300

/** Prints a sheet and waits for the printer; a job that is not completed is a finding. */
export const verb = defineVerb({
  name: 'print',
  summary: 'a sheet, printed',
  files: 'PLAN.json',
  options: {
    ...sheetOptions,
    printer: text('ipp://127.0.0.1:4747/ipp/print', 'the printer'),
    format: choice(['pdf', 'pwg'], 'what is sent; what the printer takes where left out'),
    copies: numberOr(1, 1, 99, 'how many'),
    ticket: text(
      'ID',
      'names the order: a job of it that the printer still knows is taken up, not printed again',
    ),
    wait: numberOr(60, 0, 3600, 'seconds to wait for the printer'),
  },
  async run({ files, options }) {
    const plan = loadPlan(files[0])
    const printer = options.printer
    if (printer === undefined)
      throw usageError('--printer is missing', 'name one, such as ipp://127.0.0.1:4747/ipp/print')
    const seconds = options.wait
    const copies = Math.round(options.copies)
    const format = options.format ?? null
    const ticket = options.ticket
    if (ticket !== undefined && !/^[A-Za-z0-9-]{8,40}$/.test(ticket))
      throw usageError(`--ticket "${ticket.slice(0, 40)}" is no ticket`, 'use 8 to 40 letters, digits or -')
    const { sheet, fileOptions, dpi, title } = await sheetOf(plan, options)
    if (sheet.document.pages.length === 0)
      throw usageError('nothing would be printed', sheet.unreadable[0]?.reason ?? 'place a command first')
    // the two pages of a folded card are the sides of one sheet
    const isTwoSided = options.kind === 'card'
    try {
      const form = choosePrintForm(await printerStatus(printer), format, dpi, isTwoSided)
      const media = mediaOf(sheet.stock)
      const file = await documentFile(sheet.document, form.form, 'labels', {
        ...fileOptions,
        media,
        dpi: form.dpi,
        rasterType: form.rasterType,
      })
      const size = pageSizeMm(sheet.stock)
      const order = {
        name: title,
        format: form.format,
        document: file.bytes,
        media,
        ...size,
        copies,
        sides: form.sides,
      }
      // a ticket that was given may have been sent before
      const known = ticket === undefined ? null : await findJob(printer, { ticket })
      const sent = known?.hasDocument
        ? known
        : await sendOrder(
            printer,
            { ...order, ticket: ticket ?? randomUUID() },
            { madeJobId: known?.jobId ?? null },
          )
      const job = await settled(printer, sent, seconds)
      const isDone = job.state === 'completed'
      return {
        value: {
          printer,
          pages: sheet.document.pages.length,
          ...form,
          media,
          job,
          unreadable: sheet.unreadable,
        },
        text: [
          `${printer}: job ${job.jobId} ${job.state}${job.reasons.length > 0 ? ` (${job.reasons.join(', ')})` : ''}, ${sheet.document.pages.length} page(s) as ${form.format}`,
          ...(job.state === 'completed' || job.says === '' ? [] : [job.says]),
          ...sheet.unreadable.map((u) => `left out ${u.what}: ${u.reason}`),
        ].join('\n'),
        findings: !isDone || sheet.unreadable.length > 0,
      }
    } catch (error) {
      if (!(error instanceof IppProblem)) throw error
      throw new CoreError('PRINT', {
        where: [printer.slice(0, 80)],
        what: error.message.replace(/\.$/, ''),
        remedy: 'then print again',
      })
    }
  },
})

/** The job when it is over, or as it stands when the time is up. */
async function settled(printer: string, sent: JobStatus, seconds: number): Promise<JobStatus> {
  let job = sent
  for (let left = (seconds * 1000) / pollMs; left > 0 && !isOver(job.state); left--) {
    await wait(pollMs)
    job = await jobStatus(printer, job.jobId)
  }
  return job
}
