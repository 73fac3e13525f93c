import { z } from 'zod';

/** Half of a character that needs two. */
const HALF = /\p{Surrogate}/u;
/** Deeper than any form of ours goes. */
const DEEPEST = 40;

/** Where a value holds text that no database keeps: a NUL, or half of a character. Null where it does not. */
function badTextAt(
  value: unknown,
  path: (string | number)[],
  depth: number,
): (string | number)[] | null {
  if (typeof value === 'string') return value.includes('\0') || HALF.test(value) ? path : null;
  if (typeof value !== 'object' || value === null) return null;
  if (depth > DEEPEST) return path;
  for (const [key, inner] of Object.entries(value)) {
    if (key.includes('\0') || HALF.test(key)) return path;
    const found = badTextAt(inner, [...path, Array.isArray(value) ? Number(key) : key], depth + 1);
    if (found) return found;
  }
  return null;
}

const characters = (n: unknown) =>
  `${String(n)} ${n === 1 || n === 1n ? 'character' : 'characters'}`;

const EXPECTED: Record<string, string> = {
  number: 'give a number',
  int: 'give a whole number',
  string: 'write it as text',
  boolean: 'say yes or no',
  array: 'give a list',
  object: 'this is not what is asked for here',
};
const FORMATS: Record<string, string> = {
  datetime: 'this is no time',
  date: 'this is no date',
  email: 'this is no e-mail address',
  uuid: 'this is no id',
};

/** What is wrong, in words, where the schema has none of its own. */
const inWords: z.core.$ZodErrorMap = (issue) => {
  if (issue.code === 'invalid_type')
    return issue.input === undefined ? 'this is missing' : EXPECTED[issue.expected];
  if (issue.code === 'too_small' || issue.code === 'too_big') {
    const limit = issue.code === 'too_small' ? issue.minimum : issue.maximum;
    const how = issue.code === 'too_small' ? 'at least' : 'at most';
    const beyond = issue.code === 'too_small' ? 'more than' : 'less than';
    const said = issue.origin === 'string' ? characters(limit) : String(limit);
    return `${issue.inclusive === false ? beyond : how} ${said}`;
  }
  if (issue.code === 'invalid_format') return FORMATS[issue.format];
  if (issue.code === 'invalid_value') return `one of ${issue.values.map(String).join(', ')}`;
  return undefined;
};

type Read<T> = { success: true; data: T } | { success: false; error: z.ZodError };

/**
 * Reads what comes from outside by its schema. Text that cannot be kept is refused by its field before anything
 * is made of it.
 */
export function readInput<T>(schema: z.ZodType<T>, input: unknown): Read<T> {
  const path = badTextAt(input, [], 0);
  if (path === null) return schema.safeParse(input, { error: inWords });
  const message = 'there are characters in it that cannot be kept: type it again';
  return {
    success: false,
    error: new z.ZodError([{ code: 'custom', path, message, input: undefined }]),
  };
}

/** What is wrong, by field. */
export const fieldsOf = (error: z.ZodError): Record<string, string> =>
  Object.fromEntries(error.issues.map((i) => [i.path.join('.'), i.message]));
