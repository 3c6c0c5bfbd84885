/** Calls to addresses of the user's: which may be made, and what they carry so that the receiver knows who sent them. */
import { createHmac } from 'node:crypto';

const LOOPBACK = /^(127(\.\d{1,3}){3}|localhost|\[::1\])$/;

/**
 * Null: it may be called; else why not. Loopback always; other hosts only where whoever runs this allows them, with their
 * port where it is not the usual one. An address never carries a name or a password.
 */
export function mayCall(address: string, allowed: readonly string[]): string | null {
  const url = URL.canParse(address) ? new URL(address) : null;
  if (!url || (url.protocol !== 'http:' && url.protocol !== 'https:'))
    return 'An address to be called begins with http:// or https://.';
  if (url.username || url.password) return 'An address to be called carries no name and no password.';
  if (LOOPBACK.test(url.hostname) || allowed.includes(url.host)) return null;
  return `${url.host} may not be called: only this machine may, and what WICK_MAY_CALL names, separated by commas.`;
}

/** Over the time and the body, so that an old call cannot be sent again as a new one. */
export function signature(secret: string, time: string, body: string): string {
  return createHmac('sha256', secret).update(`${time}.${body}`).digest('hex');
}
