import { needChromium } from './debian.mjs'

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** Debian's Chromium without a window; installs it where it is missing. */
export async function launchBrowser() {
  const executablePath = needChromium()
  const { chromium } = await import('@playwright/test')
  return chromium.launch({ executablePath, args: ARGS })
}
