import type { BrowserContext, ConsoleMessage } from '@playwright/test';

/**
 * The browser writes every answer that is none into the console as well. Of these only what a test brings about by asking for
 * it is no fault of the page: a refusal of the API, and a network that was switched off.
 */
const NO_FAULT = [
  /^console: Failed to load resource: the server responded with a status of (400|401|403|409|413|422|429) .*\/api\//,
  /^console: Failed to load resource: net::ERR_INTERNET_DISCONNECTED/,
  /* The worker's own words for a page that is not kept: only they come without the status in words. */
  /^console: Failed to load resource: the server responded with a status of 503 \(\) /,
];

/** What went wrong in the pages of a test: uncaught errors, and whatever a page or a worker wrote as an error. */
export class Faults {
  private found: string[] = [];

  watch(context: BrowserContext): void {
    context.on('weberror', (e) => this.found.push(`uncaught: ${e.error().message}`));
    context.on('console', (message: ConsoleMessage) => {
      if (message.type() !== 'error') return;
      const { url } = message.location();
      this.found.push(`console: ${message.text()} (${url})`);
    });
  }

  /** All that was found since the last time, less what a test says it expects. */
  take(expected: RegExp | null): string[] {
    const known = expected ? [...NO_FAULT, expected] : NO_FAULT;
    const found = this.found.filter((f) => !known.some((e) => e.test(f)));
    this.found = [];
    return [...new Set(found)];
  }
}
