/** Shared by start and test: installs packages when they are missing or older than the lock file. */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('..', import.meta.url))

/** Runs a command with its output shown; ends this process with the command's exit code when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (error) console.error(`${command}: ${error.message}`)
  if (status !== 0) process.exit(status ?? 1)
}

const running = new Set()

/**
 * Runs a command beside others and shows its output when it has ended; ends this process, and what still runs beside it,
 * when it fails.
 */
export function runTogether(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], ...options })
    const output = []
    running.add(child)
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => output.push(part))
    child.on('error', (error) => output.push(Buffer.from(`${command}: ${error.message}\n`)))
    child.on('close', (status) => {
      running.delete(child)
      process.stdout.write(Buffer.concat(output))
      if (status !== 0) {
        for (const other of running) other.kill()
        process.exit(status ?? 1)
      }
      resolve()
    })
  })
}

/** Whether what is installed is as new as the lock file. */
export function hasPackages() {
  const marker = `${root}node_modules/.package-lock.json`
  return existsSync(marker) && statSync(marker).mtimeMs >= statSync(`${root}package-lock.json`).mtimeMs
}
