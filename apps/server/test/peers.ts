import { execFile, spawn, type ChildProcess } from 'node:child_process'
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import net from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Programs of Debian's cups-ipp-utils, which nobody here wrote, and what they need to run. */

const started: ChildProcess[] = []

/** Ends what was started here, and nothing else. */
export async function endPeers(): Promise<void> {
  for (const child of started.splice(0).toReversed()) {
    if (child.exitCode !== null) continue
    child.kill('SIGTERM')
    await new Promise<void>((resolve) => {
      child.once('exit', () => resolve())
      setTimeout(resolve, 3000).unref()
    })
  }
}

/** Starts a program that goes on until the end of the tests; rejects when it ends at once. */
async function start(
  command: string,
  args: readonly string[],
  isReady: () => Promise<boolean>,
): Promise<void> {
  const child = spawn(command, args, { stdio: 'ignore' })
  started.push(child)
  for (let left = 100; left > 0; left--) {
    if (await isReady()) return
    if (child.exitCode !== null) throw new Error(`${command} ended with ${child.exitCode}`)
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error(`${command} is not ready after ten seconds`)
}

const answers = (to: net.NetConnectOpts): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = net.connect(to)
    const end = (is: boolean): void => {
      socket.destroy()
      resolve(is)
    }
    socket.once('connect', () => end(true))
    socket.once('error', () => end(false))
  })

const ends = (command: string, args: readonly string[]): Promise<number> =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: 'ignore' })
    child.once('exit', (code) => resolve(code ?? 1))
    child.once('error', () => resolve(1))
  })

const busSocket = '/run/dbus/system_bus_socket'

/** The name service that `ippeveprinter` announces itself to, on the loopback interface only. */
async function nameService(): Promise<void> {
  const hasBus = (): Promise<boolean> => answers({ path: busSocket })
  if (!(await hasBus())) {
    mkdirSync('/run/dbus', { recursive: true })
    await start('dbus-daemon', ['--system', '--nofork', '--nopidfile'], hasBus)
  }
  const hasNames = async (): Promise<boolean> => (await ends('avahi-daemon', ['--check'])) === 0
  if (await hasNames()) return
  const conf = join(mkdtempSync(join(tmpdir(), 'reach-plot-avahi-')), 'avahi.conf')
  writeFileSync(conf, '[server]\nallow-interfaces=lo\nuse-ipv6=no\n')
  await start('avahi-daemon', ['-f', conf, '--no-drop-root', '--no-rlimits', '--no-chroot'], hasNames)
}

/** A printer by `ippeveprinter` that keeps what it was sent. */
export async function evePrinter(): Promise<{ address: string; spool: string }> {
  await nameService()
  const spool = mkdtempSync(join(tmpdir(), 'reach-plot-spool-'))
  const port = await freePort()
  const formats = 'application/pdf,image/pwg-raster'
  const args = ['-p', String(port), '-r', 'off', '-k', '-d', spool, '-f', formats, 'Reach-Plot-Test']
  await start('ippeveprinter', args, () => answers({ host: 'localhost', port }))
  return { address: `ipp://localhost:${port}/ipp/print`, spool }
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo
      server.close(() => resolve(port))
    })
  })

export interface Score {
  readonly passed: number
  readonly failed: number
  readonly skipped: number
  readonly output: string
}

const suites = '/usr/share/cups/ipptool'

/**
 * Runs one of `ipptool`'s own suites against a printer.
 * @param documents files that the suite asks for by name; kinds that the printer does not take need only be there
 */
export async function ipptool(
  suite: string,
  address: string,
  documents: Readonly<Record<string, Uint8Array>>,
): Promise<Score> {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-ipptool-'))
  for (const name of ['ipp-1.1.test', 'ipp-2.0.test'])
    if (existsSync(join(suites, name))) copyFileSync(join(suites, name), join(folder, name))
  for (const name of ['document-a4.ps', 'document-letter.ps', 'color.jpg', 'gray.jpg'])
    writeFileSync(join(folder, name), 'not sent')
  for (const [name, bytes] of Object.entries(documents)) writeFileSync(join(folder, name), bytes)
  const args = ['-tI', '-f', join(folder, 'document-a4.pdf'), address, join(folder, suite)]
  const output = await new Promise<string>((resolve) => {
    execFile('ipptool', args, { timeout: 120_000 }, (_error, stdout, stderr) => resolve(stdout + stderr))
  })
  const count = (mark: string): number => output.split(`[${mark}]`).length - 1
  return { passed: count('PASS'), failed: count('FAIL'), skipped: count('SKIP'), output }
}
