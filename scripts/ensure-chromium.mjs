import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const PLACES = [
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/usr/bin/google-chrome-stable',
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
]

/** Finds Chromium or Chrome for the tests, or installs Debian's package where that can be done. */
export function ensureChromium() {
  if (isThere()) return
  if (process.platform === 'linux' && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0) {
    console.log('No Chromium or Chrome found: installing the Debian package chromium')
    for (const args of [
      ['update', '-qq'],
      ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'fonts-dejavu-core'],
    ])
      spawnSync('apt-get', args, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      })
  }
  if (isThere()) return
  console.error(
    'The tests need Chromium or Chrome: install it (on Debian: apt-get install chromium), or name its program in CAULKER_BROWSER',
  )
  process.exit(1)
}

function isThere() {
  const named = process.env.CAULKER_BROWSER
  return named === undefined ? PLACES.some(existsSync) : existsSync(named)
}
