import AxeBuilder from '@axe-core/playwright';
import type { Page } from './test';

/**
 * What the accessibility check finds on a page that is serious or critical: the rule, and where.
 * @param rules only these, all where left out
 */
export async function seriousIssues(page: Page, rules?: string[]): Promise<string[]> {
  /* No page of ours has frames of another origin, for which the builder would open a second page at every call. */
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({
    resultTypes: ['violations'],
    ...(rules ? { runOnly: rules } : {}),
  });
  const { violations } = await axe.analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .slice(0, 3)
          .map((n) => n.target.join(' '))
          .join(', ')}`,
    );
}
