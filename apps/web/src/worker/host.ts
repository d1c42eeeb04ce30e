import { wrap, type Remote } from 'comlink'
import { AppProblem } from './app-problem.js'

/** A worker ended before it had answered: the browser ran out of memory, or it failed. */
export class WorkerEnded extends AppProblem {
  constructor() {
    super('The computation ended by itself; the browser may be short of memory.')
  }
}

/** The functions of a service as the page calls them: each gives a promise. */
export type Asked<S> = {
  readonly [K in keyof S]: S[K] extends (...args: infer A) => infer R
    ? (...args: A) => Promise<Awaited<R>>
    : never
}

interface Running {
  readonly worker: Worker
  readonly remote: Remote<object>
  /** settles when the worker can be asked, and its end be noticed */
  readonly alive: Promise<void>
  /** rejects when the worker has ended */
  readonly ended: Promise<never>
}

/** A worker that has said nothing for so long after its start has ended while it started, ms. Assumed. */
const startsWithinMs = 20_000

/** What a worker says once it holds the lock that tells that it lives. */
export const aliveMessage = 'reach-plot-alive'
/** The same where the browser has no locks: its end is noticed only where it has an error. */
export const startedMessage = 'reach-plot-started'

/**
 * A worker that is started when it is needed and noticed when it ends: what was asked of it then fails at once, and the
 * next question starts another. A worker holds a lock of its name, which the browser frees however it ends.
 */
export class WorkerHost<S extends object> {
  readonly #start: (name: string) => Worker
  #running: Running | null = null

  /** @param start makes the worker, under the name that is given */
  constructor(start: (name: string) => Worker) {
    this.#start = start
  }

  /** The service; every function of it starts the worker where there is none. */
  readonly service = new Proxy({} as Asked<S>, {
    get: (_none, method) =>
      method === 'then' ? undefined : (...args: unknown[]) => this.#call(method, args),
  })

  /** What holds for the worker that runs now, such as whether it was prepared; another object after it has ended. */
  get now(): object {
    return this.#run()
  }

  /** Ends the worker with all that it does. Questions that are open stay without an answer. */
  end(): void {
    this.#running?.worker.terminate()
    this.#running = null
  }

  async #call(method: string | symbol, args: readonly unknown[]): Promise<unknown> {
    const running = this.#run()
    const remote = running.remote as unknown as Record<
      string | symbol,
      (...args: unknown[]) => Promise<unknown>
    >
    // a worker that is busy could not tell that it lives
    await Promise.race([running.alive, running.ended])
    return Promise.race([
      (remote[method] as (...args: unknown[]) => Promise<unknown>)(...args),
      running.ended,
    ])
  }

  #run(): Running {
    if (this.#running) return this.#running
    const name = `reach-plot-worker-${crypto.randomUUID()}`
    const worker = this.#start(name)
    let end = (): void => undefined
    const ended = new Promise<never>((_never, reject) => {
      end = (): void => {
        if (this.#running?.worker !== worker) return
        this.#running = null
        worker.terminate()
        reject(new WorkerEnded())
      }
    })
    ended.catch(() => undefined)
    worker.addEventListener('error', () => end())
    const alive = new Promise<void>((resolve) => {
      const late = setTimeout(() => end(), startsWithinMs)
      worker.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
        if (data !== aliveMessage && data !== startedMessage) return
        clearTimeout(late)
        // granted when the worker has it no more
        if (data === aliveMessage) void (navigator as Partial<Navigator>).locks?.request(name, () => end())
        resolve()
      })
    })
    this.#running = { worker, remote: wrap<object>(worker), alive, ended }
    return this.#running
  }
}
