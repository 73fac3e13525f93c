import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type {
  EntryBody,
  Recipe,
  RuleBody,
  RuleKind,
  UnitSystem,
  WorkingHours,
  ReadingPlace,
} from '@/core';

type Instant = ColumnType<Date, Date | string, Date | string>;
type Made = ColumnType<Date, Date | string | undefined, never>;

export interface Tables {
  site: {
    id: Generated<number>;
    name: string;
    timeZone: string;
    locale: string;
    unitSystem: UnitSystem;
    workingHours: JSONColumnType<WorkingHours>;
  };
  rule: {
    id: string;
    code: string;
    version: number;
    kind: RuleKind;
    title: string;
    source: string;
    body: JSONColumnType<RuleBody>;
    sha256: string;
    createdAt: Made;
    createdByName: string;
  };
  siteRule: {
    kind: RuleKind;
    ruleId: string;
    confirmedAt: Instant | null;
    confirmedByName: string | null;
  };
  scale: { id: string; name: string; capacityG: number; resolutionG: number };
  house: { id: string; name: string };
  device: {
    id: string;
    name: string;
    houseId: string;
    tokenSha256: string;
    createdAt: Made;
    revokedAt: Instant | null;
    lastSeenAt: Instant | null;
  };
  channel: {
    id: Generated<number>;
    houseId: string | null;
    batchId: string | null;
    key: string;
    name: string;
    what: ReadingPlace;
  };
  reading: { channelId: number; at: Instant; tempC: number };
  recipe: { id: string; name: string; createdAt: Made };
  recipeVersion: {
    id: string;
    recipeId: string;
    number: number;
    content: JSONColumnType<Recipe>;
    sha256: string;
    reason: string;
    createdAt: Made;
    createdByName: string;
  };
  batch: {
    id: string;
    code: string;
    recipeVersionId: string;
    startedAt: Instant;
    closedAt: Instant | null;
    createdAt: Made;
  };
  entry: {
    id: string;
    batchId: string;
    seq: number;
    kind: string;
    happenedAt: Instant;
    recordedAt: Instant;
    byId: string;
    byName: string;
    corrects: string | null;
    body: JSONColumnType<EntryBody>;
    prevHash: string;
    hash: string;
  };
  logbookHead: { id: number; seq: number; hash: string };
  user: {
    id: string;
    name: string;
    email: string;
    role: string | null;
    banned: boolean | null;
    createdAt: Date;
  };
}
