import { isOver } from '@reach-plot/ipp'
import { faultReasons, type Fault } from './faults.js'
import { documentFormats, type DocumentFormat, type SizeMm, type StandInJob } from './job.js'
import { openDocument, type Rendering } from './render.js'

/** Bounds on what the stand-in holds. Assumed. */
export const machineLimits = { waiting: 20, kept: 30, pictures: 3000, documentBytes: 64_000_000 } as const

export interface MachineOptions {
  /** what a slow printer takes for a page, ms */
  readonly slowMs: number
  /** s since the epoch */
  readonly now: () => number
}

const otherSize: SizeMm = { widthMm: 57, heightMm: 32 }

/**
 * A label printer that is not there: takes jobs, prints them one after the other as pictures, and has faults that can
 * be switched on. A job waits while a fault holds it up and goes on when it is mended.
 */
export class Machine {
  readonly jobs: StandInJob[] = []
  readonly startedAt: number
  readonly #options: MachineOptions
  #faults: ReadonlySet<Fault> = new Set()
  #nextId = 1
  #isRunning = false
  #wake: (() => void)[] = []

  constructor(options: MachineOptions) {
    this.#options = options
    this.startedAt = options.now()
  }

  get faults(): Fault[] {
    return [...this.#faults]
  }

  setFaults(faults: readonly Fault[]): void {
    this.#faults = new Set(faults)
    this.#stirred()
    void this.#run()
  }

  /** what holds the printer up, as reasons of a printer's state */
  get reasons(): string[] {
    return this.faults.flatMap((fault) => {
      const reason = faultReasons[fault]
      // another size only matters when a job needs one
      if (reason === undefined || (fault === 'wrong-size' && !this.#current())) return []
      return [reason]
    })
  }

  get state(): 'idle' | 'processing' | 'stopped' {
    if (this.reasons.length > 0) return 'stopped'
    return this.#current() ? 'processing' : 'idle'
  }

  get isAccepting(): boolean {
    return !this.#faults.has('refuses')
  }

  get waiting(): StandInJob[] {
    return this.jobs.filter((job) => !isOver(job.state))
  }

  get isFull(): boolean {
    return this.waiting.length >= machineLimits.waiting
  }

  job(id: number): StandInJob | undefined {
    return this.jobs.find((job) => job.id === id)
  }

  create(name: string, user: string, size: SizeMm | null, copies: number): StandInJob {
    const job: StandInJob = {
      id: this.#nextId++,
      name,
      user,
      size,
      copies,
      createdAt: this.#options.now(),
      state: 'pending-held',
      reasons: ['job-incoming'],
      message: '',
      processingAt: null,
      completedAt: null,
      format: null,
      document: null,
      documents: 0,
      pagesTotal: null,
      pages: [],
    }
    this.jobs.push(job)
    this.#forgetOld()
    return job
  }

  /** The document of a job; it is printed in its turn. */
  take(job: StandInJob, format: string, document: Uint8Array): void {
    job.format = sensed(format, document)
    job.document = document
    job.documents++
    job.state = 'pending'
    job.reasons = []
    void this.#run()
  }

  /** @returns false when the job is over already */
  cancel(job: StandInJob): boolean {
    if (isOver(job.state)) return false
    this.#end(job, 'canceled', 'job-canceled-by-user', '')
    this.#stirred()
    void this.#run()
    return true
  }

  /** Takes away what has been printed. */
  clear(): void {
    for (let at = this.jobs.length - 1; at >= 0; at--)
      if (isOver((this.jobs[at] as StandInJob).state)) this.jobs.splice(at, 1)
  }

  #current(): StandInJob | undefined {
    return this.jobs.find((job) => job.state === 'processing' || job.state === 'processing-stopped')
  }

  /** One job after the other; called whenever something has changed. */
  async #run(): Promise<void> {
    if (this.#isRunning) return
    this.#isRunning = true
    try {
      for (;;) {
        const job = this.jobs.find((j) => j.state === 'pending' && j.document)
        if (!job) return
        if (this.reasons.length > 0) {
          job.reasons = ['printer-stopped']
          await this.#change()
          continue
        }
        job.reasons = []
        job.state = 'processing'
        job.processingAt = this.#options.now()
        await this.#print(job)
      }
    } finally {
      this.#isRunning = false
    }
  }

  async #print(job: StandInJob): Promise<void> {
    let rendering: Rendering | null = null
    try {
      rendering = await openDocument(job.format as DocumentFormat, job.document as Uint8Array)
      checkSize(job, rendering.size)
      job.pagesTotal = rendering.count * job.copies
      for (let at = 0; at < job.pagesTotal; at++) {
        await this.#clearOfFaults(job)
        if (isOver(job.state)) return
        if (this.#faults.has('slow')) await this.#change(this.#options.slowMs)
        const page = await rendering.page(at % rendering.count)
        if (isOver(job.state)) return
        if (job.pages.length < machineLimits.pictures) job.pages.push(page)
      }
      this.#end(job, 'completed', 'job-completed-successfully', '')
    } catch (error) {
      if (!isOver(job.state))
        this.#end(
          job,
          'aborted',
          'document-format-error',
          `The document cannot be printed: ${(error as Error).message}.`,
        )
    } finally {
      await rendering?.close()
      job.document = null
    }
  }

  /** Waits until nothing holds the job up any more. */
  async #clearOfFaults(job: StandInJob): Promise<void> {
    while (!isOver(job.state) && this.reasons.length > 0) {
      job.state = 'processing-stopped'
      job.reasons = ['printer-stopped']
      job.message = this.#faults.has('wrong-size')
        ? `Loaded are labels of ${otherSize.widthMm} x ${otherSize.heightMm} mm.`
        : ''
      await this.#change()
    }
    if (!isOver(job.state)) {
      job.state = 'processing'
      job.reasons = []
      job.message = ''
    }
  }

  #end(job: StandInJob, state: 'canceled' | 'aborted' | 'completed', reason: string, message: string): void {
    job.state = state
    job.reasons = [reason]
    job.message = message
    job.document = null
    job.completedAt = this.#options.now()
  }

  /** Settles when a fault or a job has changed, or after a while. */
  #change(ms?: number): Promise<void> {
    return new Promise((resolve) => {
      this.#wake.push(resolve)
      if (ms !== undefined) setTimeout(resolve, ms).unref()
    })
  }

  #stirred(): void {
    const wake = this.#wake
    this.#wake = []
    for (const resolve of wake) resolve()
  }

  #forgetOld(): void {
    while (this.jobs.length > machineLimits.kept) {
      const at = this.jobs.findIndex((job) => isOver(job.state))
      if (at === -1) return
      this.jobs.splice(at, 1)
    }
  }
}

/** How far the pages may be from the size that the job asks for, mm: rounding to dots and points. */
const sizeSlackMm = 1

/** @throws Error in words when the document is of another size than the job asked for */
function checkSize(job: StandInJob, page: SizeMm): void {
  if (!job.size) return
  const isNear = (a: number, b: number): boolean => Math.abs(a - b) <= sizeSlackMm
  const { widthMm: w, heightMm: h } = job.size
  const fits = isNear(w, page.widthMm) && isNear(h, page.heightMm)
  const fitsTurned = isNear(h, page.widthMm) && isNear(w, page.heightMm)
  if (!fits && !fitsTurned) throw new Error(`the job asks for ${inMm(job.size)}, its pages are ${inMm(page)}`)
}

const inMm = ({ widthMm, heightMm }: SizeMm): string => `${widthMm.toFixed(1)} x ${heightMm.toFixed(1)} mm`

/** What a document is where its sender does not say. */
function sensed(format: string, document: Uint8Array): DocumentFormat {
  const known = documentFormats.find((f) => f === format)
  if (known) return known
  return Buffer.from(document.subarray(0, 4)).toString('latin1') === 'RaS2'
    ? 'image/pwg-raster'
    : 'application/pdf'
}
