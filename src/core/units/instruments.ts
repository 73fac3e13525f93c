/** What says by itself what it shows. */
export const INSTRUMENTS = ['scale', 'ph_meter'] as const;
export type InstrumentKind = (typeof INSTRUMENTS)[number];
