/** `npm test`: installs what is missing, then types, lint, unit tests, build and browser tests. */
import { existsSync } from 'node:fs'
import { chromiumLaunch } from './chromium.mjs'
import { hasPackages, run, runTogether } from './install.mjs'

/** Programs that tests use, by the Debian package that has them: a browser, a printer and a client of IPP, a PDF reader. */
const programs = {
  'chromium-headless-shell': [chromiumLaunch.executablePath],
  'cups-ipp-utils': ['/usr/bin/ipptool', '/usr/sbin/ippeveprinter'],
  'avahi-daemon': ['/usr/sbin/avahi-daemon'],
  dbus: ['/usr/bin/dbus-daemon'],
  'poppler-utils': ['/usr/bin/pdftoppm'],
  python3: ['/usr/bin/python3'],
}

const missing = Object.entries(programs)
  .filter(([, paths]) => !paths.every(existsSync))
  .map(([name]) => name)

async function installPrograms() {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    return runTogether(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
  }
  await apt('update')
  await apt('install', '-y', ...missing)
}

await Promise.all([
  hasPackages() ? null : runTogether('npm', ['ci']),
  missing.length > 0 ? installPrograms() : null,
])
// reading the code takes one core and the rest another, so they go at a time; what each says stays together
const script = (name) => runTogether('npm', ['run', '--silent', name])
const linted = script('lint')
await script('types')
await script('build')
await Promise.all([linted, script('unit')])
run('npm', ['run', '--silent', 'e2e'])
