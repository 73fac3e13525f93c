/** Headers of a request as they came, names in lower case. */
export type Came = Readonly<Record<string, string | string[] | undefined>>;

const KB = 1024;
/** Bytes that a body may have, by what it is for. */
export const BODY_LIMITS = {
  /** Sign-ins, entries, settings, and everything from who is not signed in. */
  small: 64 * KB,
  /** Reports of devices. */
  readings: 2 * KB * KB,
  /** Forms of pages that may carry a file. */
  files: 11 * KB * KB,
} as const;

const one = (value: string | string[] | undefined) => (Array.isArray(value) ? value[0] : value);

/** How large a body may be. Who shows no session may send little, and forms with files are sent by pages only. */
export function bodyLimit(path: string, headers: Came): number {
  if (path.startsWith('/api/v1/readings')) return BODY_LIMITS.readings;
  const signedIn = /(^|;\s*)(__Secure-)?better-auth\.session_token=/.test(
    one(headers.cookie) ?? '',
  );
  return signedIn && one(headers['next-action']) !== undefined
    ? BODY_LIMITS.files
    : BODY_LIMITS.small;
}

export type Refused = { status: 400 | 405 | 411 | 413 | 415; code: string; words: string };

/** Pages are read, and changed by their own actions alone; everything else goes to a route, as JSON. */
function refuseMethod(method: string, path: string, headers: Came): Refused | null {
  if (method === 'GET' || method === 'HEAD' || method === 'OPTIONS') return null;
  if (path.startsWith('/api/'))
    return /^application\/json\b/i.test(one(headers['content-type']) ?? 'application/json')
      ? null
      : { status: 415, code: 'not_json', words: 'Send JSON, and say so in the Content-Type.' };
  if (method === 'POST' && one(headers['next-action']) !== undefined) return null;
  return { status: 405, code: 'method_not_allowed', words: 'Pages are not called that way.' };
}

/**
 * Whether a request may be read at all, by its headers alone: a body must say how long it is, and be no longer
 * than its kind. The server never reads more than was said.
 */
export function refuseRequest(method: string, path: string, headers: Came): Refused | null {
  const odd = refuseMethod(method, path, headers);
  if (odd) return odd;
  if (one(headers['transfer-encoding']) !== undefined)
    return {
      status: 411,
      code: 'length_required',
      words: 'Say how long it is: send it with a Content-Length.',
    };
  const said = one(headers['content-length']);
  if (said === undefined) return null;
  const bytes = Number(said);
  if (!Number.isSafeInteger(bytes) || bytes < 0)
    return { status: 400, code: 'bad_length', words: 'The Content-Length is no number.' };
  if ((method === 'GET' || method === 'HEAD') && bytes > 0)
    return { status: 400, code: 'body_not_expected', words: 'A request of this kind has no body.' };
  const limit = bodyLimit(path, headers);
  return bytes <= limit
    ? null
    : {
        status: 413,
        code: 'too_large',
        words: `At most ${limit >= KB * KB ? `${Math.floor(limit / KB / KB)} MB` : `${limit / KB} kB`} at once. Send it in parts.`,
      };
}
