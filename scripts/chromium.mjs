/**
 * How Debian's Chromium is started for browser tests and benches: its shell without a window, which spares each test the
 * pages that the window's own bars are made of, a third of all work.
 */
export const chromiumLaunch = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
