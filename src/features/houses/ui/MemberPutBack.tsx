'use client';

import { Said } from '@/ui/status';
import { usePostTo, useWorker } from './post-as';

/** Puts one batch of a load back into the heat, soon after its pull. */
export function MemberPutBack({ batchId, until }: { batchId: string; until: string }) {
  const { canWork } = useWorker();
  const { sendTo, busy, message, when } = usePostTo();
  if (!canWork) return null;
  return (
    <>
      <button
        type="button"
        className="button w-full"
        disabled={busy}
        onClick={() => void sendTo([batchId], { kind: 'put_back' })}
      >
        Put it back to cook on, until {until}
      </button>
      {when}
      <Said text={message} />
    </>
  );
}
