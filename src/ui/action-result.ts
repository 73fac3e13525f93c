/** What an action answers: what it made, or why not by code, with words for single fields. */
export type ActionResult<T = undefined> =
  { ok: true; data: T } | { ok: false; code: string; fields?: Record<string, string> };
