// A page without a browser, with what Node has and every browser has too.
const { TestEnvironment } = require('jest-environment-jsdom');

/** As in a page, an address may leave out what the page's own says. */
class PageRequest extends Request {
  constructor(address, init) {
    super(typeof address === 'string' ? new URL(address, 'http://127.0.0.1/') : address, init);
  }
}

class PageEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    Object.assign(this.global, {
      fetch,
      Request: PageRequest,
      Response,
      Headers,
      structuredClone,
      TextEncoder,
      TextDecoder,
      // Signals of jsdom are none to Node's requests.
      AbortController,
      AbortSignal,
    });
  }
}

module.exports = PageEnvironment;
