import { isIP } from 'node:net';
import { hostname } from 'node:os';

/** The name in a Host header, without its port, in small letters; '' for none. */
export const nameIn = (host: string | undefined): string =>
  (host ?? '')
    .replace(/:\d*$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase();

/**
 * Is a request meant for this machine? An address in numbers is, and this machine's own names; any other name could be somebody else's that
 * was pointed here after a page of theirs had been loaded, so that their page would pass for ours.
 */
export function isOurs(host: string | undefined, served = process.env['HOST']): boolean {
  const name = nameIn(host);
  const own = hostname().toLowerCase();
  const ours = ['localhost', own, `${own}.local`, ...(served === undefined ? [] : [served.toLowerCase()])];
  return isIP(name) !== 0 || ours.includes(name) || name.endsWith('.localhost');
}
