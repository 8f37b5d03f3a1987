import { CaulkerError } from 'caulker/inside/words'
import { existsSync } from 'node:fs'

const PLACES = [
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/usr/bin/google-chrome-stable',
  '/snap/bin/chromium',
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
  'C:\\Program Files\\Google\\Chrome\\Application\\chrome.exe',
]

/** Where an installed Chromium or Chrome is; CAULKER_BROWSER names another place. */
export function findChromium(): string {
  const named = process.env['CAULKER_BROWSER']
  const found = (named === undefined ? PLACES : [named]).find(existsSync)
  if (found !== undefined) return found
  throw new CaulkerError(
    'bad-argument',
    named === undefined
      ? 'no Chromium or Chrome was found; install one (on Debian: apt-get install chromium), or name its program in CAULKER_BROWSER'
      : `CAULKER_BROWSER names ${named}, and there is no such file`,
  )
}

/** Parts of a browser's window and its looking around that no probe needs, and that cost a second for each window. */
const FEATURES_OFF = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxFullPopup',
  'WebUIOmniboxFrame',
  'AimEnabled',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'PreconnectToSearch',
]

/** How the browser is started: without a window, and without looking for anything on a network. */
export const CHROMIUM_FLAGS = [
  `--disable-features=${FEATURES_OFF.join(',')}`,
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
