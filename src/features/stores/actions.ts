'use server';

import { z } from 'zod';
import { may } from '@/features/accounts/policy';
import { db } from '@/platform/db/client';
import { changeStores } from './change';
import { adjustSchema, receiptSchema } from './contract';
import { casingKindSchema, casingLotSchema, casingMoveSchema } from './casing-contract';
import { moveCasings, receiveCasings, removeCasingKind, saveCasingKind } from './casings';
import { adjustLot, receiveLot } from './service';

export const receiveLotAction = async (input: unknown) =>
  changeStores('work_batches', receiptSchema, input, async ({ lot, decision }, by, { role }) =>
    /* Who may not decide receives what is within its limits, whatever was typed as a reason. */
    receiveLot(db(), lot, by, may(role, 'decide') ? decision : null),
  );

export const adjustLotAction = async (input: unknown) =>
  changeStores('work_batches', adjustSchema, input, (data, by) => adjustLot(db(), data, by));

export const saveCasingKindAction = async (input: unknown) =>
  changeStores('write_recipes', casingKindSchema, input, (data, by) =>
    saveCasingKind(db(), data, by),
  );

export const removeCasingKindAction = async (input: unknown) =>
  changeStores('write_recipes', z.uuid(), input, (id) => removeCasingKind(db(), id));

export const receiveCasingsAction = async (input: unknown) =>
  changeStores('work_batches', casingLotSchema, input, (data, by) =>
    receiveCasings(db(), data, by),
  );

export const moveCasingsAction = async (input: unknown) =>
  changeStores('work_batches', casingMoveSchema, input, (data, by) => moveCasings(db(), data, by));
