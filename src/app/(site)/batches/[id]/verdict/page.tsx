import { JUDGEMENT } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { dossierOfPage } from '@/features/batches/page-data';
import { STATEMENT, verdictSeal } from '@/features/batches/sign';
import { Checklist } from '@/features/batches/ui/Checklist';
import { LateReadings } from '@/features/batches/ui/LateReadings';
import { PieceCurves } from '@/features/batches/ui/PieceCurves';
import { SignForm } from '@/features/batches/ui/SignForm';
import { showOfRequest } from '@/features/settings/show';
import { channelsByIds, lateOf } from '@/features/readings/service';
import { db } from '@/platform/db/client';
import { Mark } from '@/ui/mark';
import { Notice } from '@/ui/status';

const OVERALL = {
  pass: { tone: 'good', text: 'Every check passes or is decided.' },
  missing: { tone: 'wait', text: 'Something is still to be shown. Nothing missing can be signed.' },
  fail: { tone: 'bad', text: 'A check has failed. The release lead decides what happens.' },
} as const;

/** The verdict with its evidence, the signature, and the record to take away. */
export default async function VerdictPage({ params }: { params: Promise<{ id: string }> }) {
  const person = await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const { state } = dossier.case;
  const { verdict } = dossier;
  const onAuthority = state.dispositions
    .filter((d) => d.kind === 'release_on_authority')
    .flatMap((d) => d.checks);
  const allowed = new Set<string>(verdict.decided.filter((k) => onAuthority.includes(k)));
  const signedBy = dossier.entries.find((e) => e.id === state.signature?.entryId)?.body;
  /* Which judgement signed it, where today's makes something else of the same record. */
  const earlier =
    signedBy?.kind === 'signed' && signedBy.verdictSha256 !== verdictSeal(dossier)
      ? (signedBy.judgement ?? 1)
      : null;
  const channels = await channelsByIds(
    db(),
    state.probes.map((p) => p.channelId),
  );
  const late = state.signature?.stands ? await lateOf(db(), dossier.head.batchId) : null;
  const nameOf = (id: number) => channels.find((ch) => ch.id === id)?.name ?? `Channel ${id}`;
  const ready =
    verdict.overall === 'pass' && state.phase === 'to_sign' && !state.holds.some((h) => h.open);
  const record = `/api/v1/batches/${dossier.head.id}/record`;
  return (
    <div className="space-y-4">
      {state.signature?.stands ? (
        <div className="sheet flex items-center gap-3 border-l-8 border-l-good">
          <Mark className="size-12 text-good" />
          <p className="text-lg">
            <strong>Released.</strong> Signed by {state.signature.by.name},{' '}
            {show.date(state.signature.atS)}. The kettle approves.
          </p>
        </div>
      ) : (
        <Notice tone={OVERALL[verdict.overall].tone}>{OVERALL[verdict.overall].text}</Notice>
      )}
      {state.signature && !state.signature.stands && (
        <Notice tone="wait">
          Signed {show.clock(state.signature.atS)}, then corrected: the verdict is open again.
        </Notice>
      )}
      {state.signature?.stands && earlier !== null && earlier !== JUDGEMENT && (
        <Notice tone="wait">
          Signed when every check passed under judgement {earlier}. Below is what today’s judgement,
          number {JUDGEMENT}, makes of the same record and readings, and why.
        </Notice>
      )}
      {late && (
        <LateReadings batchId={dossier.head.id} late={late} mayTake={may(person.role, 'decide')} />
      )}
      <Checklist verdict={verdict} show={show} allowed={allowed} />
      <PieceCurves c={dossier.case} nameOf={nameOf} show={show} />
      {state.dispositions.length > 0 && (
        <section className="sheet">
          <h2 className="font-semibold">Decisions</h2>
          <ul>
            {state.dispositions.map((d) => (
              <li key={d.seq} className="border-t border-line py-2">
                {d.kind.replaceAll('_', ' ')} by {d.by.name}, {show.clock(d.atS)}: {d.reason}
                {d.authority ? ` (${d.authority})` : ''}
              </li>
            ))}
          </ul>
        </section>
      )}
      {ready &&
        (may(person.role, 'sign') ? (
          <SignForm batchId={dossier.head.id} statement={STATEMENT} />
        ) : (
          <p className="sheet">Ready for the release lead’s signature.</p>
        ))}
      {verdict.overall === 'pass' &&
        !ready &&
        !state.signature?.stands &&
        state.phase !== 'to_sign' && (
          <p className="sheet">Pack the batch, then it can be signed.</p>
        )}
      <section
        className="sheet flex flex-wrap items-center gap-2"
        aria-label="Take the record away"
      >
        <h2 className="mr-2 font-semibold">Record</h2>
        <a className="button" href={`${record}?as=pdf`}>
          PDF
        </a>
        <a className="button" href={`${record}?as=json`}>
          JSON
        </a>
        <a className="button" href={`${record}?as=csv`}>
          CSV
        </a>
      </section>
    </div>
  );
}
