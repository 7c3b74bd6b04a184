// How the tools reach a kitchen's secure address as a device does that trusts it.
import { request } from 'node:https';

/**
 * Where a kitchen is secure, and whom to trust for that (PEM).
 * @typedef {{ address: string, ca: string, fingerprint: string }} Trusted
 */

/** @param {string} address plain @returns {Promise<Trusted>} */
export async function trustedAt(address) {
  const { secure, fingerprint } = await (await fetch(`${address}/api/secure`)).json();
  const der = Buffer.from(await (await fetch(`${address}/morning-crock.crt`)).arrayBuffer());
  const ca = `-----BEGIN CERTIFICATE-----\n${der.toString('base64')}\n-----END CERTIFICATE-----\n`;
  return { address: secure, ca, fingerprint };
}

/**
 * @param {string} url @param {string} ca
 * @param {{ method?: string, headers?: Record<string, string>, body?: string, localAddress?: string, path?: string }} [options] `path` as it is, however it is written
 * @returns {Promise<{ status: number, text: string }>}
 */
export const askSecurely = (url, ca, { body, ...options } = {}) =>
  new Promise((resolve, reject) => {
    const asked = request(url, { ca, timeout: 10_000, ...options }, (answer) => {
      let text = '';
      answer.on('data', (chunk) => (text += String(chunk)));
      answer.once('end', () => resolve({ status: answer.statusCode ?? 0, text }));
      answer.once('error', reject);
    });
    asked.once('timeout', () => asked.destroy(new Error('no answer')));
    asked.once('error', reject);
    asked.end(body);
  });
