/** How a page learns the nonce of its own answer. */
export const NONCE_HEADER = 'x-page-nonce';

/** A word that only this answer knows, base64. */
export const newNonce = (): string =>
  Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');

/**
 * What a page may load and run: scripts that the framework marks with the nonce and what those load; everything
 * else from here; nothing in frames, no plug-ins, no other base. Styles may stand in attributes: charts and
 * floating menus place themselves with them. While the application is being worked on, the framework's own tools
 * compile scripts in the page and report over a socket.
 * @source W3C, Content Security Policy Level 3
 */
export const contentPolicy = (
  nonce: string,
  worksOn = process.env.NODE_ENV === 'development',
): string =>
  [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${worksOn ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' 'unsafe-inline'`,
    `img-src 'self' data: blob:`,
    `font-src 'self'`,
    `connect-src 'self'${worksOn ? ' ws:' : ''}`,
    `worker-src 'self' blob:`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
    `object-src 'none'`,
    `base-uri 'none'`,
  ].join('; ');
