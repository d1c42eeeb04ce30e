/** `npm test`: installs what is missing, then types, lint, unit tests, build and browser tests. */
import { spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromiumLaunch } from './chromium.mjs'
import { hasPackages, run, runTogether } from './install.mjs'

/** Programs that tests use, by the Debian package that has them: a browser, a printer and a client of IPP, a PDF reader, readers of files that systems read. */
const programs = {
  'chromium-headless-shell': [chromiumLaunch.executablePath],
  'cups-ipp-utils': ['/usr/bin/ipptool', '/usr/sbin/ippeveprinter'],
  'avahi-daemon': ['/usr/sbin/avahi-daemon'],
  dbus: ['/usr/bin/dbus-daemon'],
  'poppler-utils': ['/usr/bin/pdftoppm'],
  'libxkbcommon-tools': ['/usr/bin/xkbcli'],
  'libxkbcommon-dev': ['/usr/include/xkbcommon/xkbcommon-keysyms.h'],
  python3: ['/usr/bin/python3'],
  udev: ['/usr/bin/systemd-hwdb'],
}

const missing = Object.entries(programs)
  .filter(([, paths]) => !paths.every(existsSync))
  .map(([name]) => name)

/** What to install where there is no apt: what each program is, for a person to find it on their own system. */
const wanted = {
  'chromium-headless-shell': 'Chromium (name yours with CHROMIUM=/path/to/chromium)',
  'cups-ipp-utils': 'ipptool and ippeveprinter, of CUPS',
  'avahi-daemon': 'avahi-daemon',
  dbus: 'dbus-daemon',
  'poppler-utils': 'pdftoppm, of Poppler',
  'libxkbcommon-tools': 'xkbcli, of libxkbcommon',
  'libxkbcommon-dev': 'the header files of libxkbcommon',
  python3: 'Python 3',
  udev: 'systemd-hwdb, of systemd',
}

function sayWhatIsMissing() {
  console.error(
    `npm test needs programs that are not here, and apt to install them is not either. Install these and run it again:\n${missing
      .map((name) => `  ${wanted[name]}, looked for at ${programs[name].join(' and ')}`)
      .join('\n')}\nTypes, lint and unit tests need none of them: npm run types, npm run lint, npm run unit.`,
  )
  process.exit(1)
}

async function installPrograms() {
  if (!existsSync('/usr/bin/apt-get')) sayWhatIsMissing()

  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    return runTogether(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
  }
  await apt('update')
  await apt('install', '-y', ...missing)
}

/** Desktops whose shipped lists of keys are held against their packages: unpacked, not installed. */
const desktops = [
  ...['libxfce4ui-common', 'cinnamon-desktop-data', 'muffin-common', 'marco-common', 'ibus-data', 'openbox'],
  ...['mate-settings-daemon-common', 'lxqt-globalkeys', 'sway', 'i3-wm', 'libgtk-3-common'],
]
const systemFiles = fileURLToPath(new URL('../node_modules/.cache/system-files/', import.meta.url))

function unpackDesktops() {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-desktops-'))
  const ran = (command, ...args) => spawnSync(command, args, { cwd: folder, stdio: 'ignore' }).status === 0
  const unpacked = join(folder, 'root')
  mkdirSync(unpacked)
  const isHad =
    ran('apt-get', 'download', ...desktops) &&
    readdirSync(folder)
      .filter((file) => file.endsWith('.deb'))
      .every((file) => ran('dpkg', '-x', join(folder, file), unpacked))
  if (isHad) cpSync(unpacked, systemFiles, { recursive: true })
  else console.error('The packages of the desktops could not be had; their lists of keys are not compared.')
  rmSync(folder, { recursive: true, force: true })
}

await Promise.all([
  hasPackages() ? null : runTogether('npm', ['ci']),
  missing.length > 0 ? installPrograms() : null,
])
const isUnpacked = existsSync(`${systemFiles}usr/share/themes/Emacs`) && existsSync(`${systemFiles}etc/sway`)
if (existsSync('/usr/bin/apt-get') && !isUnpacked) unpackDesktops()
// reading the code takes one core and the rest another, so they go at a time; what each says stays together
const script = (name) => runTogether('npm', ['run', '--silent', name])
const linted = script('lint')
await script('types')
await script('build')
await Promise.all([linted, script('unit')])
run('npm', ['run', '--silent', 'e2e'])
