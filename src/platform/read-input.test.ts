import { z } from 'zod';
import { fieldsOf, readInput } from './read-input';

const schema = z.object({
  name: z.string(),
  rows: z.array(z.object({ note: z.string() })).optional(),
});
let deep: unknown = 'x';
for (let i = 0; i < 60; i += 1) deep = [deep];

test.each<[string, unknown, string | null]>([
  ['plain text', { name: 'Ünï 山 👍' }, null],
  ['a NUL', { name: 'a\0b' }, 'name'],
  ['half a character', { name: 'a\ud83d' }, 'name'],
  ['a NUL far inside', { name: 'a', rows: [{ note: 'b' }, { note: '\0' }] }, 'rows.1.note'],
  ['a NUL in a key', { name: 'a', 'k\0': 1 }, ''],
  ['nested for ever', { name: deep }, `name${'.0'.repeat(40)}`],
])('%s', (_, input, field) => {
  const read = readInput(schema, input);
  expect(read.success ? null : Object.keys(fieldsOf(read.error))).toEqual(
    field === null ? null : [field],
  );
});

test('what the schema refuses is told by the schema', () => {
  const read = readInput(schema, { name: 3 });
  expect(read.success ? {} : fieldsOf(read.error)).toHaveProperty('name');
});
