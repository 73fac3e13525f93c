import { z } from 'zod';

export const taskSchema = z.object({
  id: z.uuid(),
  name: z.string().trim().min(2, 'say what is cleaned').max(100),
  minutes: z
    .number('give the minutes')
    .int('whole minutes only')
    .min(1, 'at least a minute')
    .max(600, 'more than ten hours cannot be meant'),
  everyDays: z
    .number('give days, or leave it empty')
    .int('whole days only')
    .min(1, 'at least a day')
    .max(366, 'at most a year')
    .nullable(),
  needsCold: z.boolean(),
});
export type TaskInput = z.infer<typeof taskSchema>;

export const doneSchema = z.object({
  id: z.uuid(),
  taskId: z.uuid(),
  note: z.string().trim().max(300).default(''),
});
export type DoneInput = z.infer<typeof doneSchema>;
