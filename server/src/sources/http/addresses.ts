import { lookup as resolve, type LookupAddress, type LookupOptions } from 'node:dns';
import { isIP } from 'node:net';
import ipaddr from 'ipaddr.js';
import { SourceError } from '../errors';

/** Whether an address is one of the open network: not of this machine, this house, or the link between. */
export function isPublicAddress(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  // An address of the old kind in the dress of the new one is judged as what it is.
  return ipaddr.process(address).range() === 'unicast';
}

const inside = (host: string) =>
  new SourceError(
    'source-elsewhere',
    `${host} is an address of this network or machine; whoever runs Cadro can allow such addresses`,
    false,
  );

type Found = (error: Error | null, address: string | LookupAddress[], family?: number) => void;

/** As the system finds addresses, at the moment of connecting; those inside are as if they were not there. */
export function publicLookup(host: string, options: LookupOptions, found: Found): void {
  resolve(host, { ...options, all: true }, (error, addresses) => {
    if (error) return found(error, []);
    const open = addresses.filter(({ address }) => isPublicAddress(address));
    const [first] = open;
    if (!first) return found(inside(host), []);
    if (options.all) return found(null, open);
    found(null, first.address, first.family);
  });
}

/** @throws SourceError for an address that is none of the web's, or one inside where that is not allowed. */
export function checkAddress(url: URL, allowPrivate: boolean): void {
  if (url.protocol !== 'http:' && url.protocol !== 'https:') {
    throw new SourceError('source-elsewhere', `${url.protocol} is no address of the web`, false);
  }
  const host = url.hostname.replace(/^\[|\]$/g, '');
  // A host that is written as an address is not looked up.
  if (!allowPrivate && isIP(host) !== 0 && !isPublicAddress(host)) throw inside(host);
}
