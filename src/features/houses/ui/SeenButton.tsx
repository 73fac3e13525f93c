'use client';

import { usePostTo, useWorker } from './post-as';

/** "I have seen it": the alarm stays, with the name of who looks after it. */
export function SeenButton({ batchId, alarmKey }: { batchId: string; alarmKey: string }) {
  const { canWork } = useWorker();
  const { sendTo, busy, message } = usePostTo();
  if (!canWork) return null;
  return (
    <div>
      <button
        type="button"
        className="button bg-sheet"
        disabled={busy}
        onClick={() => void sendTo([batchId], { kind: 'alarm_acknowledged', key: alarmKey })}
      >
        I see to it
      </button>
      {message && <p className="small font-semibold text-bad">{message}</p>}
    </div>
  );
}
