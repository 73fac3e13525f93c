'use client';

import type { Late } from '@/features/readings/service';
import { ActionForm, Field } from '@/ui/action-form';
import { Notice } from '@/ui/status';
import { useShow } from '@/ui/show-context';
import { takeLateAction } from '../actions';

/** Readings that came after the signature: kept beside the record until a release lead takes them in. */
export function LateReadings({
  batchId,
  late,
  mayTake,
}: {
  batchId: string;
  late: Late;
  mayTake: boolean;
}) {
  const show = useShow();
  return (
    <section className="sheet space-y-3" aria-label="Readings after the signature">
      <Notice tone="wait">
        {show.number(late.count, 0)} {late.count === 1 ? 'reading' : 'readings'} of{' '}
        {show.clock(late.firstS)} to {show.clock(late.lastS)} came after the signature. They are
        kept beside the record: what was signed is what was there.
      </Notice>
      {mayTake && (
        <div className="max-w-lg">
          <ActionForm
            action={takeLateAction}
            read={(f) => ({ batchId, reason: f.get('reason') })}
            label="Take them in: the signature falls, and the batch is on hold"
          >
            <Field name="reason" label="Why they belong to the record" />
          </ActionForm>
        </div>
      )}
    </section>
  );
}
