export type RecordBody =
  | {
      kind: 'batch_started';
      plannedMeatG: number;
      readyByS: number;
      recipeVersionId: string;
      recipeSha256: string;
      rules: { id: string; sha256: string }[];
      /** Made for practice: it can never be released. */
      practice?: true;
      carriesOver?: string;
    }
  | { kind: 'noted'; text: string };

export type RecordState = {
  startedS: number;
  readyByS: number;
  plannedMeatG: number;
  practice: boolean;
};
