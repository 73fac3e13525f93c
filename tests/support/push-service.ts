import {
  createDecipheriv,
  createECDH,
  createPublicKey,
  hkdfSync,
  randomBytes,
  verify,
  type ECDH,
} from 'node:crypto';

/** A device as its browser would name it, and what it can read. */
export type FakeDevice = {
  input: { endpoint: string; keys: { p256dh: string; auth: string } };
  /** What it was told, opened with its own keys, in order. */
  told: () => { title: string; body: string; url: string; tag: string }[];
};

type Came = { endpoint: string; authorization: string; body: Buffer };

const ORIGIN = 'https://push.test.example';

const hkdf = (salt: Buffer, key: Buffer, info: Buffer, length: number) =>
  Buffer.from(hkdfSync('sha256', key, salt, info, length));

/** @source RFC 8188 (aes128gcm, one record) with the keys of RFC 8291 */
function opened(sealed: Buffer, own: ECDH, auth: Buffer): Buffer {
  const [salt, idLength] = [sealed.subarray(0, 16), sealed[20]!];
  const theirs = sealed.subarray(21, 21 + idLength);
  const text = sealed.subarray(21 + idLength);
  const info = Buffer.concat([Buffer.from('WebPush: info\0'), own.getPublicKey(), theirs]);
  const key = hkdf(auth, own.computeSecret(theirs), info, 32);
  const cipherKey = hkdf(salt, key, Buffer.from('Content-Encoding: aes128gcm\0'), 16);
  const nonce = hkdf(salt, key, Buffer.from('Content-Encoding: nonce\0'), 12);
  const open = createDecipheriv('aes-128-gcm', cipherKey, nonce);
  open.setAuthTag(text.subarray(-16));
  const plain = Buffer.concat([open.update(text.subarray(0, -16)), open.final()]);
  return plain.subarray(0, plain.lastIndexOf(2));
}

/** Is it signed by the site, for this push service? @source RFC 8292 */
function isSignedBy(publicKey: string, origin: string, authorization: string): boolean {
  const token = /t=([^,\s]+)/.exec(authorization)?.[1] ?? '';
  const [head, claims, signature] = token.split('.');
  const point = Buffer.from(publicKey, 'base64url');
  const coordinate = (from: number) => point.subarray(from, from + 32).toString('base64url');
  const jwk = { kty: 'EC', crv: 'P-256', x: coordinate(1), y: coordinate(33) };
  const { aud } = JSON.parse(Buffer.from(claims ?? '', 'base64url').toString()) as { aud: string };
  const key = createPublicKey({ key: jwk, format: 'jwk' });
  return (
    aud === origin &&
    verify(
      'sha256',
      Buffer.from(`${head}.${claims}`),
      { key, dsaEncoding: 'ieee-p1363' },
      Buffer.from(signature ?? '', 'base64url'),
    )
  );
}

/** A push service of the tests' own, in the place of the network: takes what is sent, or answers as it is told to. */
export class PushService {
  private readonly came: Came[] = [];
  private readonly answers = new Map<string, number | 'silence'>();

  /** What this process fetches from now on goes here; anything else is an error. */
  take = async (url: unknown, init?: RequestInit): Promise<Response> => {
    const endpoint = String(url);
    if (!endpoint.startsWith(ORIGIN)) throw new Error(`not for a push service: ${endpoint}`);
    const answer = this.answers.get(endpoint) ?? 201;
    if (answer === 'silence') throw new TypeError('fetch failed');
    const authorization = new Headers(init?.headers).get('authorization') ?? '';
    this.came.push({ endpoint, authorization, body: init?.body as Buffer });
    return new Response(null, { status: answer });
  };

  /** From now on a device's messages are answered so: 410 is "no such device". */
  answer(device: FakeDevice, how: number | 'silence'): void {
    this.answers.set(device.input.endpoint, how);
  }

  device(name: string): FakeDevice {
    const own = createECDH('prime256v1');
    own.generateKeys();
    const auth = randomBytes(16);
    const endpoint = `${ORIGIN}/to/${name}`;
    return {
      input: {
        endpoint,
        keys: {
          p256dh: own.getPublicKey().toString('base64url'),
          auth: auth.toString('base64url'),
        },
      },
      told: () =>
        this.came
          .filter((c) => c.endpoint === endpoint)
          .map((c) => JSON.parse(opened(c.body, own, auth).toString()) as never),
    };
  }

  /** Is everything that came signed by the holder of this key? */
  allSignedBy = (publicKey: string): boolean =>
    this.came.every((c) => isSignedBy(publicKey, ORIGIN, c.authorization));

  get count(): number {
    return this.came.length;
  }
}
