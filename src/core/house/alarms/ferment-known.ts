/** What the forecast of a ferment says, clock seconds. */
export type FermentKnown = {
  ph: number;
  p10S: number | null;
  p50S: number | null;
  /** Nobody is there at that hour. */
  alone: boolean;
  /** A chamber that keeps it waiting until somebody is there. */
  cooled: { tempC: number; untilS: number } | null;
  degreeHours: { soFar: number; limit: number; limitS: number | null; close: boolean } | null;
};
