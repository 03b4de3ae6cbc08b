import { lookup } from 'node:dns';
import { request as inTheClear, type RequestOptions } from 'node:http';
import { request as overTls } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';
import ipaddr from 'ipaddr.js';

/** Why another shop was not reached, in words for the bench. */
export class Unreached extends Error {}

/** Global unicast (RFC 4291, 2.4): all other IPv6 addresses are of some network of its own. */
const GLOBAL_V6 = ipaddr.IPv6.parse('2000::');
/** For measuring networks (RFC 2544). */
const BENCHMARK = ipaddr.IPv4.parse('198.18.0.0');

/**
 * Whether an IP address is one of the open Internet: none of those that the IANA registries of special addresses (RFC
 * 6890) give to a machine itself, to a network behind it, or to many at once.
 */
export function isOnInternet(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  const read = ipaddr.process(address);
  if (read.range() !== 'unicast') return false;
  return read instanceof ipaddr.IPv6 ? read.match(GLOBAL_V6, 3) : !read.match(BENCHMARK, 15);
}

/** Addresses within the own network that whoever runs this server allows: origins, in ECLAT_NEAR_SHOPS. */
const isNear = (url: URL): boolean =>
  (process.env['ECLAT_NEAR_SHOPS'] ?? '')
    .split(',')
    .some((near) => URL.canParse(near.trim()) && new URL(near.trim()).origin === url.origin);

const INWARD = 'Its address leads into a network of its own, not to a shop on the Internet: nothing was sent there.';

/**
 * The address is looked at after its name was resolved, and it is that very one that is connected to: a name that leads
 * elsewhere a moment later changes nothing.
 */
const lookupOutside: LookupFunction = (host, options, done) =>
  lookup(host, { ...options, all: true }, (error, all) => {
    if (error) return done(error, '');
    if (all.length === 0 || !all.every((a) => isOnInternet(a.address))) return done(new Unreached(INWARD), '');
    if (options.all) done(null, all);
    else done(null, all[0]!.address, all[0]!.family);
  });

/** Refuses an address that is none of the Internet before anything is sent. @throws Unreached */
function optionsFor(url: URL): RequestOptions {
  if (isNear(url)) return {};
  if (url.protocol !== 'https:') throw new Unreached('Its address is not https: nothing is sent in the clear.');
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (isIP(host) && !isOnInternet(host)) throw new Unreached(INWARD);
  return { lookup: lookupOutside };
}

const LONGEST_MS = 20_000;

interface Asked {
  /** Where the shop is, as its card says. */
  address: string;
  /** Of its API, from /api/ on. */
  path: string;
  headers?: Record<string, string>;
  /** Sent with POST; none: it is only read. */
  body?: Buffer;
  /** The longest reply that is read, in bytes. */
  most: number;
}

export interface Reached {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: Buffer;
}

/** What the network says when it did not work (Node.js manual, errors). */
function inWords(error: unknown): string {
  if (error instanceof Unreached) return error.message;
  const { code = '', name } = error as { code?: string; name?: string };
  if (/CERT|SELF_SIGNED|UNABLE_TO_VERIFY|^ERR_TLS|^ERR_SSL|^EPROTO/.test(code))
    return 'Its certificate is not valid: somebody may be in between. Nothing was sent.';
  if (/^ENOTFOUND|^EAI_/.test(code))
    return 'Its address cannot be found. It may have moved, or this server is offline.';
  if (name === 'TimeoutError' || name === 'AbortError') return 'It did not answer in time.';
  return 'It does not answer.';
}

/**
 * Sends one request to another shop. Leads nowhere else (no redirect is followed), ends after twenty seconds, and reads
 * no more than it was told to.
 * @throws Unreached in words for the bench
 */
export function reach({ address, path, headers = {}, body, most }: Asked): Promise<Reached> {
  const url = new URL(`/api/${path}`, address);
  return new Promise<Reached>((resolve, reject) => {
    const failed = (error: unknown) => reject(new Unreached(inWords(error)));
    let options: RequestOptions;
    try {
      options = optionsFor(url);
    } catch (error) {
      return failed(error);
    }
    const request = (url.protocol === 'https:' ? overTls : inTheClear)(url, {
      ...options,
      method: body ? 'POST' : 'GET',
      agent: false,
      signal: AbortSignal.timeout(LONGEST_MS),
      headers: {
        ...headers,
        ...(body && { 'content-type': 'application/octet-stream', 'content-length': body.length }),
      },
    });
    request.on('error', failed);
    request.on('response', (reply) => {
      const pieces: Buffer[] = [];
      let length = 0;
      reply.on('data', (piece: Buffer) => {
        length += piece.length;
        if (length <= most) return void pieces.push(piece);
        request.destroy();
        failed(new Unreached('It sent more than a book can be: nothing of it was read.'));
      });
      reply.on('error', failed);
      reply.on('end', () =>
        resolve({ status: reply.statusCode ?? 0, headers: reply.headers, body: Buffer.concat(pieces) }),
      );
    });
    request.end(body);
  });
}
