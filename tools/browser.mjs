// Chromium as Debian ships it without its windows, for journeys, pictures and the bench: less to install, and its own
// process takes less than half of what the whole browser's does.
/** Nothing of its own may reach for a network. */
const FLAGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // One process for one tablet however often its page is opened anew: a new one reads every script again.
  '--disable-features=BackForwardCache,ProactivelySwapBrowsingInstance',
  '--disable-site-isolation-trials',
  '--process-per-site',
];

/** @param {readonly string[]} [more] flags @returns {Promise<import('puppeteer-core').Browser>} */
export async function startBrowser(more = []) {
  const { default: puppeteer } = await import('puppeteer-core');
  return puppeteer.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: [...FLAGS, ...more] });
}
