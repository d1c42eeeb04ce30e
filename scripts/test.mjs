/** `npm test`: installs what is missing, then types, lint, unit tests, build and browser tests. */
import { existsSync } from 'node:fs'
import { chromiumLaunch } from './chromium.mjs'
import { installPackages, run, runTogether } from './install.mjs'

/** Programs that tests use, by the Debian package that has them: a browser, a printer and a client of IPP, a PDF reader. */
const programs = {
  chromium: [chromiumLaunch.executablePath],
  'cups-ipp-utils': ['/usr/bin/ipptool', '/usr/sbin/ippeveprinter'],
  'avahi-daemon': ['/usr/sbin/avahi-daemon'],
  dbus: ['/usr/bin/dbus-daemon'],
  'poppler-utils': ['/usr/bin/pdftoppm'],
  python3: ['/usr/bin/python3'],
}

installPackages()
const missing = Object.entries(programs)
  .filter(([, paths]) => !paths.every(existsSync))
  .map(([name]) => name)
if (missing.length > 0) {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
  }
  apt('update')
  apt('install', '-y', ...missing)
}
// reading the code and building it each take one core, so two go at a time; what each says stays together
const script = (name) => runTogether('npm', ['run', '--silent', name])
await Promise.all([script('types').then(() => script('build')), script('lint')])
for (const name of ['unit', 'e2e']) run('npm', ['run', '--silent', name])
