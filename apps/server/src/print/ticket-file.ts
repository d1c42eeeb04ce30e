import { appendFile, mkdir, open, readFile, rename, rm, writeFile, type FileHandle } from 'node:fs/promises'
import { join } from 'node:path'
import { lock } from 'proper-lockfile'
import { isSettled, ticketSchema, type Ticket } from './ticket.js'

/** How long a settled order is remembered, ms: sent again within it, it is not printed again. */
export const rememberMs = 90 * 24 * 3600 * 1000

/** A lock that has not been renewed for so long is that of a server that was ended, ms. */
const staleMs = 5000

/** The folder is used by another server, or cannot be written. */
export class FolderProblem extends Error {
  override readonly name = 'FolderProblem'
}

/**
 * The orders on disk, a line for each change, so that a broken line loses that change and no other order. One server at a
 * time writes it.
 */
export class TicketFile {
  readonly #handle: FileHandle
  readonly #release: () => Promise<void>
  /** as they stood when the file was opened */
  readonly tickets: ReadonlyMap<string, Ticket>
  #writing: Promise<void> = Promise.resolve()

  private constructor(
    handle: FileHandle,
    release: () => Promise<void>,
    tickets: ReadonlyMap<string, Ticket>,
  ) {
    this.#handle = handle
    this.#release = release
    this.tickets = tickets
  }

  /** @throws FolderProblem when another server uses the folder, or it cannot be written */
  static async open(folder: string): Promise<TicketFile> {
    const file = join(folder, 'print-tickets.jsonl')
    try {
      await mkdir(folder, { recursive: true })
    } catch (error) {
      throw new FolderProblem(
        `The folder for print orders, ${folder}, cannot be used (${(error as NodeJS.ErrnoException).code ?? (error as Error).message}). Set REACH_PLOT_STATE to a folder that can be written.`,
        { cause: error },
      )
    }
    const release = await locked(folder)
    const { tickets, broken } = await readAll(folder, file)
    if (broken.length > 0)
      await appendFile(join(folder, 'print-tickets.unreadable'), `${broken.join('\n')}\n`)
    const next = `${file}.next`
    await writeFile(next, [...tickets.values()].map(lineOf).join(''), { flush: true })
    await rename(next, file)
    // what an earlier version kept is in the new file now
    await rm(join(folder, 'print-tickets.json'), { force: true })
    return new TicketFile(await open(file, 'a'), release, tickets)
  }

  /** Settles when the change is on the disk. */
  write(ticket: Ticket): Promise<void> {
    const written = this.#writing.then(async () => {
      await this.#handle.appendFile(lineOf(ticket))
      await this.#handle.datasync()
    })
    this.#writing = written.catch(() => undefined)
    return written
  }

  async close(): Promise<void> {
    await this.#writing
    await this.#handle.close()
    await this.#release()
  }
}

const lineOf = (ticket: Ticket): string => `${JSON.stringify(ticket)}\n`

/** @throws FolderProblem when another server has the folder */
async function locked(folder: string): Promise<() => Promise<void>> {
  const owner = join(folder, 'server.pid')
  // the lock of a server that was killed is let go at once when its process is gone, else when it is stale
  if (await isGone(owner)) await rm(join(folder, 'print-tickets.lock'), { recursive: true, force: true })
  try {
    const release = await lock(folder, {
      lockfilePath: join(folder, 'print-tickets.lock'),
      stale: staleMs,
      retries: { retries: 1 + staleMs / 500, factor: 1, minTimeout: 500 },
      onCompromised: (error) => {
        console.error(`Another server has taken the folder ${folder}: ${error.message}`)
        process.exit(3)
      },
    })
    await writeFile(owner, String(process.pid))
    return async () => {
      await rm(owner, { force: true })
      await release()
    }
  } catch (error) {
    throw new FolderProblem(
      `Another Reach Plot server uses the folder ${folder}. Stop it, or set REACH_PLOT_STATE to another folder.`,
      { cause: error },
    )
  }
}

async function isGone(owner: string): Promise<boolean> {
  const pid = Number(await readFile(owner, 'utf8').catch(() => ''))
  if (!Number.isInteger(pid) || pid <= 0) return false
  try {
    process.kill(pid, 0)
    return false
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ESRCH'
  }
}

/** Every order that can be read, the last line of each; and the lines that cannot. */
async function readAll(
  folder: string,
  file: string,
): Promise<{ readonly tickets: Map<string, Ticket>; readonly broken: readonly string[] }> {
  const tickets = new Map<string, Ticket>()
  const broken: string[] = []
  const take = (value: unknown, text: string): void => {
    const read = ticketSchema.safeParse(value)
    if (read.success) tickets.set(read.data.ticket, read.data)
    else broken.push(text)
  }
  for (const entry of await oldEntries(join(folder, 'print-tickets.json'), broken))
    take(entry, JSON.stringify(entry))
  const text = await readFile(file, 'utf8').catch(() => '')
  for (const line of text.split('\n')) {
    if (line.trim() === '') continue
    try {
      take(JSON.parse(line), line)
    } catch {
      broken.push(line)
    }
  }
  const oldest = Date.now() - rememberMs
  for (const [id, ticket] of tickets)
    if (isSettled(ticket.state) && ticket.changedAt < oldest) tickets.delete(id)
  return { tickets, broken }
}

/** An earlier version did not note what went out before it did: what was on its way may have been printed. */
const fromOld = (entry: unknown): unknown => {
  const { state } = entry as { state?: unknown }
  return state === 'sending' || state === 'unknown' ? { ...(entry as object), wasSent: true } : entry
}

/** What an earlier version kept: one list. */
async function oldEntries(file: string, broken: string[]): Promise<readonly unknown[]> {
  const text = await readFile(file, 'utf8').catch(() => null)
  if (text === null) return []
  try {
    const list: unknown = JSON.parse(text)
    if (Array.isArray(list)) return list.map(fromOld)
  } catch {
    // said below
  }
  broken.push(text)
  return []
}
