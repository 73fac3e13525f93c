import type { BrowserContext, ConsoleMessage } from '@playwright/test';

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
  take(expected: readonly RegExp[]): string[] {
    const found = this.found.filter((f) => !expected.some((e) => e.test(f)));
    this.found = [];
    return [...new Set(found)];
  }
}
