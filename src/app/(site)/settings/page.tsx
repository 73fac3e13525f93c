import { RULE_KINDS } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listRules } from '@/features/settings/service';
import { Part } from '@/features/settings/ui/Part';
import { RuleItem } from '@/features/settings/ui/RuleForm';
import { db } from '@/platform/db/client';
import { RULE_WORDS } from '@/words/batch';

/** The rules in use with their sources, and the others that the site may choose. */
export default async function RulesPage() {
  const person = await requirePage();
  const rules = await listRules(db());
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[13rem_minmax(0,1fr)]">
      <nav aria-label="Kinds of rules" className="sheet lg:sticky lg:top-4">
        <ul>
          {RULE_KINDS.map((kind) => (
            <li key={kind}>
              <a href={`#${kind}`} className="flex min-h-9 items-center text-accent underline">
                {RULE_WORDS[kind]}
              </a>
            </li>
          ))}
        </ul>
      </nav>
      <div className="space-y-4">
        <p className="small">
          New batches pin the rules in use; running ones keep theirs. Confirm each against your
          local code.
        </p>
        {RULE_KINDS.map((kind) => (
          <div key={kind} id={kind} className="scroll-mt-4">
            <Part title={RULE_WORDS[kind]}>
              <ul>
                {rules
                  .filter((r) => r.body.kind === kind)
                  .map((r) => (
                    <RuleItem key={r.id} rule={r} canEdit={may(person.role, 'run_site')} />
                  ))}
              </ul>
            </Part>
          </div>
        ))}
      </div>
    </div>
  );
}
