import { buildSync } from 'esbuild';
import { fileURLToPath } from 'node:url';
import puppeteer, {
  type Browser,
  type BrowserContext,
  type ElementHandle,
  type HTTPRequest,
  type Page,
} from 'puppeteer-core';

/**
 * A page that has not shown what is awaited by then will not show it. Long: how quick a page is, the bench says, and a
 * machine that stands still for half a minute must not look like a page that does.
 */
export const PATIENCE_MS = 60_000;
const POLLING_MS = 50;
/** What stands where it stood so long ago stands still. */
const STILL_MS = 30;
const PATIENTLY = { timeout: PATIENCE_MS, polling: POLLING_MS };

/** What finds things by their names, put into every page. */
const IN_PAGE = buildSync({
  entryPoints: [fileURLToPath(new URL('in-page/names.ts', import.meta.url))],
  bundle: true,
  write: false,
  format: 'iife',
}).outputFiles[0]!.text;

/** As at an address that is not secure, where a browser keeps no page. */
const KEEPS_NO_PAGE = 'delete Navigator.prototype.serviceWorker';

/** Headless Chromium as Debian ships it: one for all journeys, started by `npm test`; each tablet is a context of its own. */
export async function startBrowser(): Promise<Browser> {
  const browserWSEndpoint = process.env['TEST_BROWSER'];
  if (!browserWSEndpoint) throw new Error('run the journeys through "npm test", which starts their browser');
  const browser = await puppeteer.connect({ browserWSEndpoint });
  // What one file opened is closed by its tablets; the browser belongs to all.
  return Object.assign(browser, {
    close: async () => {
      for (const { context } of idle.splice(0)) await context.close();
      await browser.disconnect();
    },
  });
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

/** Pages that were closed and cleared: another of them costs the browser more than all that a journey does on it. */
const idle: Pick<Tablet, 'page' | 'context'>[] = [];

async function newPage(browser: Browser, keepsPage: boolean): Promise<Pick<Tablet, 'page' | 'context'>> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  page.setDefaultTimeout(PATIENCE_MS);
  await page.evaluateOnNewDocument(IN_PAGE);
  if (!keepsPage) await page.evaluateOnNewDocument(KEEPS_NO_PAGE);
  // Another journey's page may lie in front of it in the same browser.
  await page.emulateFocusedPage(true);
  return { page, context };
}

/** Leaves a page as a new one: nothing is kept. */
async function cleared({ page }: Pick<Tablet, 'page'>): Promise<void> {
  const { origin } = new URL(page.url());
  await page.goto('about:blank');
  const session = await page.createCDPSession();
  await session.send('Network.clearBrowserCookies');
  await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await session.detach();
}

export async function openTablet(
  browser: Browser,
  address: string,
  options: {
    width?: number;
    height?: number;
    dark?: boolean;
    /** The browser keeps the page for when the server is away: it fetches all of it a second time for that. */
    keepsPage?: boolean;
    /** A finger, on a phone. */
    touch?: boolean;
    /** A name that leads to loopback. */
    host?: string;
    /** Before its first page. */
    prepare?: (page: Page, context: BrowserContext) => Promise<void>;
  } = {},
): Promise<Tablet> {
  const { keepsPage = false, host = '127.0.0.1', touch = false } = options;
  const own = (keepsPage ? undefined : idle.pop()) ?? (await newPage(browser, keepsPage));
  const { page, context } = own;
  const strayRequests: string[] = [];
  const faults: string[] = [];
  const asked = (request: HTTPRequest): void => {
    const url = new URL(request.url());
    if (/^https?:$/.test(url.protocol) && url.hostname !== host) strayRequests.push(request.url());
  };
  const failed = (error: unknown): void => {
    faults.push(error instanceof Error ? error.message : String(error));
  };
  page.on('request', asked);
  page.on('pageerror', failed);
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: options.dark ? 'dark' : 'light' }]);
  await page.setViewport({
    width: options.width ?? 1280,
    height: options.height ?? 800,
    hasTouch: touch,
    isMobile: touch,
  });
  await options.prepare?.(page, context);
  await page.goto(address);
  return {
    page,
    context,
    strayRequests,
    faults,
    close: async () => {
      if (keepsPage) return context.close();
      page.off('request', asked);
      page.off('pageerror', failed);
      await cleared(own);
      idle.push(own);
    },
  };
}

/**
 * Another place of the page that is open, as the way back of the browser would lead there. The place before stays in
 * sight until the next one has come, with fields that may be named alike: nothing is looked for until then.
 */
export async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate((to: string) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await page
    .waitForFunction(() => document.getElementById('place')?.dataset['path'] === location.pathname, PATIENTLY)
    .catch((error: unknown) => fail(page, `did not come to ${path}`, error));
}

/** Chooses a file of this machine in a place's field for files. */
export async function upload(page: Page, file: string, field = 'input[type=file]'): Promise<void> {
  const input = (await page.waitForSelector(field)) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
}

/** Waits until the page shows a text. */
export async function see(page: Page, text: string | RegExp, timeoutMs = PATIENCE_MS): Promise<void> {
  const source = typeof text === 'string' ? text : text.source;
  const plain = typeof text === 'string';
  await page
    .waitForFunction(
      (wanted: string, exact: boolean) => {
        const shown = document.body.innerText;
        return exact ? shown.includes(wanted) : new RegExp(wanted).test(shown);
      },
      { timeout: timeoutMs, polling: POLLING_MS },
      source,
      plain,
    )
    .catch((error: unknown) => fail(page, `did not see ${String(text)}`, error));
}

/** Waits until a text is gone. */
export async function seeNoMore(page: Page, text: string): Promise<void> {
  await page
    .waitForFunction((gone: string) => !document.body.innerText.includes(gone), PATIENTLY, text)
    .catch((error: unknown) => fail(page, `still saw ${text}`, error));
}

async function fail(page: Page, what: string, cause: unknown): Promise<never> {
  const [shown, taps] = await page.evaluate(() => [
    document.body.innerText,
    globalThis.names.taps.join('; '),
  ]);
  throw new Error(`${what}; the page shows:\n${shown}\nThe last taps: ${taps}`, { cause });
}

type Tappable = 'button' | 'link' | 'radio' | 'checkbox';
/** Who taps beside because the page moved under the finger taps again, so often. */
const TAPS_AGAIN = 3;

/** Taps what a screen reader would call by this role and name, once it can be tapped. */
export async function tap(page: Page, role: Tappable, name: string): Promise<void> {
  for (let taps = 0; taps <= TAPS_AGAIN; taps++) {
    await tapOnce(page, role, name);
    // A tap that leads away leaves nothing to ask.
    if (!(await page.evaluate(() => globalThis.names.fellBeside()).catch(() => false))) return;
  }
}

async function tapOnce(page: Page, role: Tappable, name: string): Promise<void> {
  const found = await page
    .waitForFunction(
      (called: string, as: string) => globalThis.names.tapPoint(called, as),
      // By the clock, not by frames: a browser draws none of a page that it thinks nobody looks at.
      { timeout: PATIENCE_MS, polling: STILL_MS },
      name,
      role,
    )
    .catch(async (error: unknown) => {
      const why = await page.evaluate(
        (called: string, as: string) => globalThis.names.whyNot(called, as),
        name,
        role,
      );
      return fail(page, `nothing to tap called “${name}”: ${why}`, error);
    });
  const point = await found.jsonValue();
  await page.mouse.click(point!.x, point!.y);
}

/** The field that a screen reader would call by this name, once it is there. */
export async function named(
  page: Page,
  name: string,
  role?: 'textbox' | 'combobox' | 'button',
): Promise<ElementHandle<HTMLElement>> {
  const found = await page
    .waitForFunction(
      (called: string, as?: string) => globalThis.names.named(called, as),
      PATIENTLY,
      name,
      role,
    )
    .catch((error: unknown) => fail(page, `no field “${name}”`, error));
  return found.asElement() as ElementHandle<HTMLElement>;
}

/** Chooses in a list called by its label, once that offers it: what it offers may come after the list itself. */
export async function choose(page: Page, label: string, value: string): Promise<void> {
  await page
    .waitForFunction(
      (called: string, wanted: string) => {
        const list = globalThis.names.named(called);
        return list instanceof HTMLSelectElement && [...list.options].some((one) => one.value === wanted);
      },
      PATIENTLY,
      label,
      value,
    )
    .catch((error: unknown) => fail(page, `“${label}” does not offer “${value}”`, error));
  await (await named(page, label)).select(value);
}

/**
 * Replaces what stands in a field called by its label.
 * @param role tells a field from a choice of the same name
 */
export async function fill(page: Page, label: string, text: string, role?: 'textbox'): Promise<void> {
  const field = await named(page, label, role);
  await field.evaluate((element) => {
    element.focus();
    if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) element.select();
  });
  await page.keyboard.press('Backspace');
  // Key by key, as a field sees it while it is filled; a long text comes at once, as when it is dictated.
  if (text.length <= 16) await page.keyboard.type(text);
  else await page.keyboard.sendCharacter(text);
}

/** Types a time of day, "15:10", into the fields of a clock. */
export async function setClock(page: Page, label: string, time: string): Promise<void> {
  for (const [part, digits] of [
    ['hours', time.slice(0, 2)],
    ['minutes', time.slice(3, 5)],
  ] as const) {
    const field = await named(page, `${label}, ${part}`);
    await field.focus();
    await page.keyboard.type(digits);
  }
}

/** Opens what is folded under some words. */
export async function unfold(page: Page, words: string): Promise<void> {
  await see(page, words);
  await page.evaluate((text: string) => {
    for (const summary of document.querySelectorAll('summary'))
      if (summary.textContent.includes(text)) summary.click();
  }, words);
}

/** Sets a slider at once, as a finger would. */
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
  const button = await page.waitForSelector(`button[aria-label^="${words}"]`, { timeout: PATIENCE_MS });
  // Rows further down may be out of sight: a keyboard would get there as well.
  await button!.evaluate((found) => (found as HTMLElement).click());
  await see(page, 'Edit entry');
}

/** What the page saves from now on is kept to be read: a browser without a screen stores no files. */
export async function keepSaved(page: Page): Promise<void> {
  await page.evaluate(() => {
    document.body.removeAttribute('data-file');
    if ('savesAreKept' in window) return;
    Object.assign(window, { savesAreKept: true });
    const make = URL.createObjectURL.bind(URL);
    URL.createObjectURL = (blob: Blob) => {
      const reader = new FileReader();
      reader.onload = () => document.body.setAttribute('data-file', reader.result as string);
      reader.readAsDataURL(blob);
      return make(blob);
    };
  });
}

/** The file that was saved last, once there is one. */
export async function savedFile(page: Page): Promise<Buffer> {
  await page.waitForSelector('body[data-file]', { timeout: PATIENCE_MS });
  const file = await page.$eval('body', (body) => body.getAttribute('data-file')!);
  return Buffer.from(file.slice(file.indexOf(',') + 1), 'base64');
}

/** The same as text. */
export const savedText = async (page: Page): Promise<string> => (await savedFile(page)).toString('utf8');
