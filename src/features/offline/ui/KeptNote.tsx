'use client';

import { useShow } from '@/ui/show-context';
import { useNow } from '@/ui/when';

/** A page that is older than this was kept on the device, s: the link makes it anew four times a minute. */
const OLD_S = 45;

/** Says that the page is one that was kept, and how old its figures are. */
export function KeptNote({ madeS }: { madeS: number }) {
  const show = useShow();
  const nowS = useNow(madeS);
  if (nowS - madeS < OLD_S) return null;
  return (
    <p role="status" className="no-print bg-wait-wash px-4 py-2 font-semibold text-wait">
      Kept on this device at {show.time(madeS)}, {show.duration(nowS - madeS)} ago: figures and
      forecasts are as they were then, clocks go on, and what you log is sent when the network is
      back.
    </p>
  );
}
