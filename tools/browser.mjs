// Headless Chromium as Debian ships it, for journeys, pictures and the bench.
/** Nothing of its own may reach for a network. */
const FLAGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** @returns {Promise<import('puppeteer-core').Browser>} */
export async function startBrowser() {
  const { default: puppeteer } = await import('puppeteer-core');
  return puppeteer.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
}
