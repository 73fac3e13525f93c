import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type {
  InstrumentKind,
  MeterCheck,
  MeterCheckInput,
  PhFitted,
  ReadingPlace,
  SensorSpot,
} from '@/core';

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
  phMeter: {
    id: string;
    name: string;
    madeAt: Made;
    madeByName: string;
    retiredAt: Date | null;
  };
  phMeterCheck: MeterCheckInput &
    Omit<MeterCheck, 'why'> & {
      id: string;
      meterId: string;
      checkedAt: Instant;
      recordedAt: Made;
      byName: string;
    };
  instrument: {
    id: string;
    name: string;
    what: InstrumentKind;
    meterId: string | null;
    tokenSha256: string;
    createdAt: Made;
    madeByName: string;
    revokedAt: Instant | null;
  };
  instrumentShown: {
    instrumentId: string;
    value: number;
    steady: boolean;
    sampleC: number | null;
    shownAt: Instant;
  };
  cultureFit: {
    ingredientId: string;
    batchId: string;
    course: string;
    fit: JSONColumnType<PhFitted>;
    fromAt: Instant;
    toPh: number;
    tookS: number;
    airC: number;
    fittedAt: Made;
  };
  reading: { channelId: number; at: Instant; tempC: number };
  readingMinute: ReadingSummary;
  readingHour: ReadingSummary;
}
