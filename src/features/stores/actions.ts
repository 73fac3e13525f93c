'use server';

import { may } from '@/features/accounts/policy';
import { db } from '@/platform/db/client';
import { changeStores } from './change';
import { adjustSchema, receiptSchema } from './contract';
import { adjustLot, receiveLot } from './service';

export const receiveLotAction = async (input: unknown) =>
  changeStores('work_batches', receiptSchema, input, async ({ lot, decision }, by, { role }) =>
    /* Who may not decide receives what is within its limits, whatever was typed as a reason. */
    receiveLot(db(), lot, by, may(role, 'decide') ? decision : null),
  );

export const adjustLotAction = async (input: unknown) =>
  changeStores('work_batches', adjustSchema, input, (data, by) => adjustLot(db(), data, by));
