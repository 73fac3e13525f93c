import type { Author } from '../author';

/** How the parasites of a line were controlled: frozen long and cold enough, or by a certificate. */
export type ParasiteControl =
  | {
      way: 'frozen';
      /** Thickest piece, mm; null where the middle itself was measured. */
      thicknessMm: number | null;
      atC: number;
      forS: number;
    }
  | { way: 'certified'; certificate: string };

export type FinishBody =
  | {
      kind: 'parasites_controlled';
      lineId: string;
      /** The lot that it was recorded for; null where the line was weighed without one. */
      lotId: string | null;
      control: ParasiteControl;
    }
  /** The site's own validated plan for what is not cooked, named by a release lead. */
  | { kind: 'plan_named'; plan: string }
  | { kind: 'labelled'; text: string }
  | { kind: 'served'; tempC?: number };

export type FinishState = {
  /** By line of the recipe, one of each lot of it: the last that was recorded. */
  parasites: Record<string, { lotId: string | null; control: ParasiteControl; atS: number }[]>;
  plan: { plan: string; by: Author; atS: number } | null;
  label: { text: string; by: Author; atS: number } | null;
  served: { atS: number; tempC: number | null } | null;
};
