'use client';

import { MeterForm } from './MeterForm';

/** The pH of the test piece, for fermented products. */
export const PhForm = ({ targetPh }: { targetPh: number }) => (
  <MeterForm
    label="Log a pH"
    title={`pH of the test piece, target ${targetPh}`}
    unit="pH"
    from={3}
    to={8}
    outside="No sausage has this pH. Rinse and calibrate the meter, then read again."
    checkedWords="This meter was checked in its buffers today"
    button="Log this pH"
    make={(ph, meter) => ({ kind: 'ph_logged', ph, ...meter })}
  />
);
