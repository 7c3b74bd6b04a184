import puppeteer, { type Browser, type BrowserContext, type ElementHandle, type Page } from 'puppeteer-core';

/** Headless Chromium as Debian ships it: one for all journeys, started by `npm test`; each tablet is a context of its own. */
export async function startBrowser(): Promise<Browser> {
  const browserWSEndpoint = process.env['TEST_BROWSER'];
  if (!browserWSEndpoint) throw new Error('run the journeys through "npm test", which starts their browser');
  const browser = await puppeteer.connect({ browserWSEndpoint });
  // What one file opened is closed by its tablets; the browser belongs to all.
  return Object.assign(browser, { close: () => browser.disconnect() });
}

/** One tablet: its own storage, its own page, and a watch over what it asks for. */
export interface Tablet {
  readonly page: Page;
  readonly context: BrowserContext;
  /** Requests that left loopback; a journey fails when there is one. */
  readonly strayRequests: readonly string[];
  /** Errors the page threw. */
  readonly faults: readonly string[];
  close(): Promise<void>;
}

export async function openTablet(
  browser: Browser,
  address: string,
  options: { width?: number; height?: number; dark?: boolean } = {},
): Promise<Tablet> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  const strayRequests: string[] = [];
  const faults: string[] = [];
  page.on('request', (request) => {
    const url = new URL(request.url());
    if (/^https?:$/.test(url.protocol) && url.hostname !== '127.0.0.1') strayRequests.push(request.url());
  });
  page.on('pageerror', (error) => faults.push(error instanceof Error ? error.message : String(error)));
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: options.dark ? 'dark' : 'light' }]);
  await page.setViewport({ width: options.width ?? 1280, height: options.height ?? 800 });
  // Another journey's page may lie in front of it in the same browser.
  await page.emulateFocusedPage(true);
  await page.goto(address);
  return { page, context, strayRequests, faults, close: () => context.close() };
}

/** Waits until the page shows a text. */
export async function see(page: Page, text: string | RegExp, timeoutMs = 20_000): Promise<void> {
  const source = typeof text === 'string' ? text : text.source;
  const plain = typeof text === 'string';
  await page
    .waitForFunction(
      (wanted: string, exact: boolean) => {
        const shown = document.body.innerText;
        return exact ? shown.includes(wanted) : new RegExp(wanted).test(shown);
      },
      { timeout: timeoutMs, polling: 100 },
      source,
      plain,
    )
    .catch(async (error: unknown) => {
      const shown = await page.evaluate(() => document.body.innerText);
      throw new Error(`did not see ${String(text)}; the page shows:\n${shown}`, { cause: error });
    });
}

/** Waits until a text is gone. */
export async function seeNoMore(page: Page, text: string): Promise<void> {
  await page.waitForFunction(
    (gone: string) => !document.body.innerText.includes(gone),
    { timeout: 20_000, polling: 100 },
    text,
  );
}

/** Taps what a screen reader would call by this role and name, once it can be tapped. */
export async function tap(page: Page, role: 'button' | 'link' | 'radio', name: string): Promise<void> {
  const selector = `::-p-aria([name="${name}"][role="${role}"])`;
  const found = await page.waitForSelector(selector, { timeout: 20_000 }).catch(() => null);
  if (!found) {
    const shown = await page.evaluate(() => document.body.innerText);
    throw new Error(`nothing to tap called “${name}”; the page shows:\n${shown}`);
  }
  await page.locator(selector).setTimeout(20_000).click();
}

/** Replaces what stands in a field called by its label. */
export async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = await page.waitForSelector(`::-p-aria(${label})`, { timeout: 20_000 });
  if (!field) throw new Error(`no field ${label}`);
  await field.focus();
  await field.evaluate((element) => {
    if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) element.select();
  });
  await page.keyboard.press('Backspace');
  await page.keyboard.type(text);
}

/** Sets a slider or a clock field at once, as a finger or its picker would. */
export async function turnTo(field: ElementHandle, value: string): Promise<void> {
  await field.evaluate((element, to) => {
    if (!(element instanceof HTMLInputElement)) throw new Error('not a field');
    // React watches the property: only the prototype's own setter lets it notice.
    Reflect.set(HTMLInputElement.prototype, 'value', to, element);
    element.dispatchEvent(new Event('input', { bubbles: true }));
  }, value);
}

/** What a screen reader calls the field that has the focus. */
export function focused(page: Page): Promise<string | undefined> {
  return page.evaluate(() => {
    const field = document.activeElement;
    return field instanceof HTMLInputElement ? field.labels?.[0]?.innerText : undefined;
  });
}

/** Opens the first entry whose button begins with these words, to be corrected. */
export async function openEntry(page: Page, words: string): Promise<void> {
  const button = await page.waitForSelector(`button[aria-label^="${words}"]`, { timeout: 20_000 });
  // Rows further down may be out of sight: a keyboard would get there as well.
  await button!.evaluate((found) => (found as HTMLElement).click());
  await see(page, 'Correct this entry');
}
