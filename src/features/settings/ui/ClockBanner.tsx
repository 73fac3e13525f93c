import { clockDoubt, clockWords } from '@/platform/clock-watch';

/** Says that the server's clock is in doubt: what is logged meanwhile gets no time before the last entry's. */
export function ClockBanner() {
  const doubt = clockDoubt();
  if (!doubt) return null;
  return (
    <p role="alert" className="no-print bg-bad-wash px-4 py-2 font-semibold text-bad">
      Clock in doubt: {clockWords(doubt)}. Set it right and start the application again; check the
      times of what is logged meanwhile. No device is at fault for it.
    </p>
  );
}
