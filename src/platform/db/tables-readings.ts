import type { ColumnType, Generated } from 'kysely';
import type { ReadingPlace, SensorSpot } from '@/core';

export type Instant = ColumnType<Date, Date | string, Date | string>;
export type Made = ColumnType<Date, Date | string | undefined, never>;

/** Readings of a channel in one minute or hour, by its start: their number, extremes and sum, °C. */
type ReadingSummary = {
  channelId: number;
  at: Instant;
  n: number;
  lowC: number;
  highC: number;
  sumC: number;
};

/** Devices, their channels and what was read, in full and summed. */
export interface ReadingTables {
  seal: { batchId: string; channelId: number; fromAt: Date; toAt: Date };
  lateReading: { channelId: number; at: Date; tempC: number; arrivedAt: Made };
  calibration: {
    id: string;
    channelId: number;
    checkedAt: Instant;
    iceC: number;
    boilC: number | null;
    altitudeM: number;
    offsetC: number;
    ok: Generated<boolean>;
    recordedAt: Made;
    byName: string;
  };
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
    level: number | null;
    depth: SensorSpot['depth'];
  };
  reading: { channelId: number; at: Instant; tempC: number };
  readingMinute: ReadingSummary;
  readingHour: ReadingSummary;
}
