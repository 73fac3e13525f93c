import { z } from 'zod';
import { fieldsOf, readInput } from '@/platform/read-input';
import { problemWords } from './problems';
import { fieldProblem } from './fields';

test.each([
  ['body.tempC', 'at most 400', 'temperature: at most 400 °C'],
  ['amountG', 'at least 0.1', 'weight: at least 0.1 g'],
  ['rows.3.tempC', 'give a number', 'temperature, line 4: give a number'],
  ['stageIndex', 'at most 100', 'stage index: at most 100'],
  ['saltFraction', 'at most 1', 'salt: at most 1'],
  ['readyBy', 'this is no time', 'ready by: this is no time'],
  ['', 'lot 7; recipe Bratwurst', 'lot 7; recipe Bratwurst'],
])('%s, %s: %s', (path, message, words) => expect(fieldProblem(path, message)).toBe(words));

const schema = z.object({
  tempC: z.number().max(400).optional(),
  name: z.string().min(1).max(5).optional(),
  rows: z.array(z.string()).max(1).optional(),
  kind: z.enum(['air', 'core']).optional(),
  at: z.iso.datetime().optional(),
  id: z.uuid().optional(),
  said: z.number('say it yourself').optional(),
});
test.each<[object, string]>([
  [{ tempC: 401 }, 'temperature: at most 400 °C'],
  [{ tempC: 'warm' }, 'temperature: give a number'],
  [{ name: '' }, 'name: at least 1 character'],
  [{ name: 'abcdef' }, 'name: at most 5 characters'],
  [{ rows: ['a', 'b'] }, 'rows: at most 1'],
  [{ kind: 'sky' }, 'kind: one of air, core'],
  [{ at: 'noon' }, 'at: this is no time'],
  [{ id: 'x' }, 'id: this is no id'],
  [{ said: 'x' }, 'said: say it yourself'],
])('%j is told as "%s"', (input, words) => {
  const read = readInput(schema, input);
  expect(read.success).toBe(false);
  if (!read.success) expect(problemWords('bad_entry', fieldsOf(read.error))).toContain(`${words}.`);
});
