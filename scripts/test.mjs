/** `npm test`: installs when needed, Chromium too, then types, lint, unit tests, build and browser tests. */
import { existsSync } from 'node:fs'
import { installPackages, run } from './install.mjs'

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium'

installPackages()
if (!existsSync(chromium)) {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
  }
  apt('update')
  apt('install', '-y', 'chromium')
}
for (const script of ['types', 'lint', 'unit', 'build', 'e2e']) run('npm', ['run', '--silent', script])
