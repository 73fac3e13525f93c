import { Link } from '@/ui/link';
import { DEFAULT_RULES, RULE_PRESETS, type RuleSet } from '@/core';
import { DoseCheck } from '@/features/recipes/ui/DoseCheck';
import { currentRules } from '@/features/settings/service';
import { showOfRequest, siteOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';
import { Mark } from '@/ui/mark';
import { ShowProvider } from '@/ui/show-context';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Dose check' };

/** The starter rule, for a place that has not been set up yet. */
function presetRule(): RuleSet['dose'] {
  const preset = RULE_PRESETS.find((p) => p.code === DEFAULT_RULES.dose)!;
  return { id: preset.code, version: 1, ...preset } as RuleSet['dose'];
}

/** Dose check: what a spoon, a packet or a weight of cure really doses. For anyone, without an account. */
export default async function DoseCheckPage() {
  const site = await siteOfRequest();
  const show = await showOfRequest();
  const rule = site ? (await currentRules(db())).dose : presetRule();
  return (
    <ShowProvider settings={show.settings}>
      <main className="mx-auto max-w-4xl p-4">
        <p className="mb-2">
          <Link
            href="/"
            className="inline-flex min-h-12 items-center gap-2 font-extrabold text-ink"
          >
            <Mark className="size-8 text-accent" /> Jolly Kettle
          </Link>
        </p>
        <h1 className="mb-3 text-2xl font-extrabold">Dose check</h1>
        <DoseCheck rule={rule} />
      </main>
    </ShowProvider>
  );
}
