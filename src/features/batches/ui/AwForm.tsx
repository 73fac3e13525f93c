'use client';

import { MeterForm } from './MeterForm';

/** The water activity, for dried products. */
export const AwForm = ({ maxAw }: { maxAw: number }) => (
  <MeterForm
    label="Log the water activity"
    title={`Water activity, at most ${maxAw}`}
    unit="a_w"
    from={0.5}
    to={1}
    outside="No sausage has this water activity. Check the meter with its salts."
    checkedWords="This meter was checked with its salts today"
    button="Log the water activity"
    make={(aw, meter) => ({ kind: 'aw_logged', aw, ...meter })}
  />
);
