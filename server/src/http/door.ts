import type { IncomingMessage } from 'node:http';

/** The addresses under which a server may be spoken to, and what follows for its cookie. */
export interface Door {
  readonly hosts: ReadonlySet<string>;
  readonly origins: ReadonlySet<string>;
  /** True if browsers reach it over https. */
  readonly secure: boolean;
  readonly cookie: string;
  /**
   * Returns the visitor's address: the address of the connection, or, for a configured proxy, the address in
   * `X-Forwarded-For`.
   */
  visitor(request: IncomingMessage): string;
}

/** An address that is set for the server and cannot be one. */
export class AddressRefused extends Error {
  constructor(given: string) {
    super(`YOHAKU_ADDRESS must be the address browsers use, like https://desk.example, not “${given.slice(0, 80)}”.`);
    this.name = 'AddressRefused';
  }
}

/**
 * @param port on loopback
 * @param publicAddress the origin that browsers use when a proxy stands in front
 *   (`YOHAKU_ADDRESS`); with https the cookie is `Secure` and bound to that very
 *   host by its prefix (RFC 6265bis, 4.1.3.2)
 * @param proxies addresses of proxies, with commas between (`YOHAKU_PROXIES`)
 * @throws AddressRefused when it is no origin
 */
export function doorOf(port: number, publicAddress?: string, proxies = ''): Door {
  const visitor = visitorOf(
    new Set(
      proxies
        .split(',')
        .map((name) => name.trim())
        .filter(Boolean),
    ),
  );
  const local = [`127.0.0.1:${port}`, `localhost:${port}`];
  const origins = local.map((host) => `http://${host}`);
  if (!publicAddress)
    return { hosts: new Set(local), origins: new Set(origins), secure: false, cookie: `yohaku_${port}`, visitor };
  const url = URL.canParse(publicAddress) ? new URL(publicAddress) : undefined;
  if (
    !url ||
    !/^https?:$/.test(url.protocol) ||
    url.username ||
    url.password ||
    url.search ||
    url.hash ||
    url.pathname !== '/'
  )
    throw new AddressRefused(publicAddress);
  const secure = url.protocol === 'https:';
  return {
    hosts: new Set([...local, url.host]),
    origins: new Set([...origins, url.origin]),
    secure,
    cookie: secure ? '__Host-yohaku' : `yohaku_${port}`,
    visitor,
  };
}

/**
 * Returns a function that reads the visitor's address from a request. Of several addresses, the last one that is not a
 * configured proxy counts: anybody can send the addresses before it.
 */
function visitorOf(proxies: ReadonlySet<string>): Door['visitor'] {
  const plain = (address: string): string => address.replace(/^::ffff:/, '');
  return (request) => {
    const peer = plain(request.socket.remoteAddress ?? '');
    if (!proxies.has(peer)) return peer;
    const chain = String(request.headers['x-forwarded-for'] ?? '')
      .split(',')
      .map((name) => plain(name.trim()))
      .filter(Boolean);
    return chain.findLast((name) => !proxies.has(name)) ?? peer;
  };
}
