import { BlockList, isIP } from 'node:net';

/** Header in which the server tells the application who asks; what comes from outside under this name is dropped. */
export const ADDRESS_HEADER = 'x-jolly-address';

/** What a proxy may tell about who asks; believed of named ones only. */
export const PROXY_HEADERS = [
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-forwarded-port',
  'forwarded',
  'x-real-ip',
];

const plain = (address: string) => address.trim().replace(/^::ffff:/i, '');
const family = (address: string) => (isIP(address) === 6 ? 'ipv6' : 'ipv4');

/**
 * The proxies of `JOLLY_TRUSTED_PROXIES`: addresses or networks, by commas.
 * @throws RangeError naming what is no address
 */
export function trustedProxies(setting: string): (address: string) => boolean {
  const list = new BlockList();
  for (const entry of setting
    .split(',')
    .map((e) => e.trim())
    .filter((e) => e !== '')) {
    const [address, bits] = entry.split('/') as [string, string?];
    if (isIP(address) === 0)
      throw new RangeError(`JOLLY_TRUSTED_PROXIES: "${entry}" is no address or network`);
    if (bits === undefined) list.addAddress(address, family(address));
    else list.addSubnet(address, Number(bits), family(address));
  }
  return (address) =>
    isIP(plain(address)) > 0 && list.check(plain(address), family(plain(address)));
}

/**
 * Who asks: the peer of the connection, or, where that is a proxy that is trusted, the nearest address of its
 * forwarded list that is none.
 */
export function addressOf(
  peer: string | undefined,
  forwardedFor: string | undefined,
  trusted: (address: string) => boolean,
): string {
  let who = plain(peer ?? 'unknown');
  for (const hop of (forwardedFor ?? '').split(',').reverse()) {
    if (!trusted(who) || isIP(plain(hop)) === 0) return who;
    who = plain(hop);
  }
  return who;
}
