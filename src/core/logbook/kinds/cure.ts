export type CureBody =
  { kind: 'cure_hold_started'; coolerC?: number } | { kind: 'cure_hold_ended'; coolerC?: number };

export type CureState = {
  hold: {
    startS: number;
    /** End of the last stretch; null while one runs. */
    endS: number | null;
    warmestC: number | null;
    /** Stretches in the cooler: more than one when it was ended by mistake and taken up again. */
    stretches: { startS: number; endS: number | null }[];
  } | null;
};
