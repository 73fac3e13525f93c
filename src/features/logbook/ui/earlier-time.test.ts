import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** Forms that record what is true when it is pressed, and why no other time can be given. */
const ONLY_NOW: Record<string, string> = {
  'batches/ui/DecideForm.tsx': 'a decision stands for the evidence there is when it is taken',
  'batches/ui/LotDecision.tsx': 'a decision, before the lot goes in',
  'houses/ui/AlarmActions.tsx':
    'an alarm is seen when it is pressed; what was done earlier is recorded at the house or the batch',
};

const FEATURES = 'src/features';
const forms = readdirSync(FEATURES, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.tsx'))
  .filter((f) => /\busePost(To)?\(/.test(readFileSync(path.join(FEATURES, f), 'utf8')))
  .map((f) => f.split(path.sep).join('/'));

/** Either the form shows the field for the time, or it is given the time of the form that it belongs to. */
const takesATime = (form: string) =>
  /\{when(\.field)?\}|&& when\}|when\.field|<WhenField|\n {2}at: \{ happenedAt\?: string \};|useTemps/.test(
    readFileSync(path.join(FEATURES, form), 'utf8'),
  );

test('there are forms to look at, and no exception is left over', () => {
  expect(forms.length).toBeGreaterThan(25);
  for (const form of Object.keys(ONLY_NOW)) expect(forms).toContain(form);
});

test.each(forms.filter((f) => !(f in ONLY_NOW)))('%s takes an earlier time', (form) => {
  expect(takesATime(form)).toBe(true);
});

test.each(Object.keys(ONLY_NOW))('%s records what is true now', (form) => {
  expect(takesATime(form)).toBe(false);
});
