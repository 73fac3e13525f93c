/**
 * What of the account library answers over the network. Everything else of it is closed: names, roles,
 * passwords and switched-off accounts change in the application only, under its own rules.
 */
const OPEN = new Set(['POST /sign-in/email', 'POST /sign-out']);

/** Does the product use this route of the library? @param path after /api/auth */
export const isOpenRoute = (method: string, path: string): boolean =>
  OPEN.has(`${method.toUpperCase()} ${path.replace(/\/+$/, '')}`);
