import { fittingDispositions } from '@/core';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';
import type { Dossier } from '@/features/logbook/service';
import { DecideForm } from './DecideForm';
import { FailedChecks } from './FailedChecks';
import { HoldReason } from './HoldReason';

/** Open holds with their reasons, and the release lead's decision. */
export function HoldPanel({
  dossier,
  show,
  canDecide,
}: {
  dossier: Dossier;
  show: Show;
  canDecide: boolean;
}) {
  const open = dossier.case.state.holds.filter((h) => h.open);
  const failed = <FailedChecks verdict={dossier.verdict} show={show} />;
  if (open.length === 0)
    return dossier.verdict.decided.length > 0 ? <div className="mb-4">{failed}</div> : null;
  const checks = open.map((h) => h.check).filter((c) => c !== null);
  return (
    <section aria-label="On hold" className="mb-4 space-y-2">
      {failed}
      {open.map((h) => (
        <Notice key={h.id} tone="bad">
          On hold since {show.clock(h.atS)}:{' '}
          <HoldReason hold={h} verdict={dossier.verdict} show={show} />
        </Notice>
      ))}
      {canDecide ? (
        <DecideForm
          checks={checks}
          kinds={fittingDispositions(dossier.case.state)}
          code={dossier.head.code}
        />
      ) : (
        <p className="small">The release lead decides what happens with this batch.</p>
      )}
    </section>
  );
}
