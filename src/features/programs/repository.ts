import type { ProgramStage } from '@/core';
import type { Handle } from '@/platform/db/client';

export type ProgramVersion = {
  id: string;
  programId: string;
  name: string;
  number: number;
  content: ProgramStage[];
  reason: string;
  createdAt: Date;
  createdByName: string;
};

const versions = (db: Handle) =>
  db
    .selectFrom('programVersion as v')
    .innerJoin('program as p', 'p.id', 'v.programId')
    .select([
      'v.id',
      'v.programId',
      'p.name',
      'v.number',
      'v.content',
      'v.reason',
      'v.createdAt',
      'v.createdByName',
    ]);

/** Every version of a program, newest first. */
export const versionsOfProgram = (db: Handle, programId: string): Promise<ProgramVersion[]> =>
  versions(db).where('v.programId', '=', programId).orderBy('v.number', 'desc').execute();

/** One version of a program, or none. */
export const programVersion = (db: Handle, id: string): Promise<ProgramVersion | undefined> =>
  versions(db).where('v.id', '=', id).executeTakeFirst();

/** The newest version of every program, by name. */
export const latestPrograms = (db: Handle): Promise<ProgramVersion[]> =>
  versions(db)
    .distinctOn(['p.name', 'v.programId'])
    .orderBy('p.name')
    .orderBy('v.programId')
    .orderBy('v.number', 'desc')
    .execute();
