/** Names of fields that their code does not say well enough. */
const NAMES: Record<string, string> = {
  happenedAt: 'the time it happened',
  startedAt: 'the start',
  readyBy: 'ready by',
  atS: 'the time',
  what: 'what was measured',
  rh: 'relative humidity',
  byS: 'longer by',
  iceC: 'in ice water',
  boilC: 'in boiling water',
  phOrAw: 'pH or water activity',
  aw: 'water activity',
  ph: 'pH',
  fromS: 'from',
  forS: 'for',
};

/** What the end of a field's code says of its unit, longest first. */
const UNITS: [RegExp, string][] = [
  [/Fraction$/, ''],
  [/Ppm$/, 'ppm'],
  [/Mm$/, 'mm'],
  [/C$/, '°C'],
  [/G$/, 'g'],
  [/S$/, 's'],
  [/M$/, 'm'],
];

const REST: Record<string, string> = { temp: 'temperature', mass: 'weight', amount: 'weight' };

/** A field by its code, in the reader's words, with the unit that its figures are in. */
function fieldWords(path: string): { name: string; unit: string } {
  const parts = path.split('.');
  const code = parts.findLast((p) => !/^\d+$/.test(p)) ?? '';
  const row = parts.findLast((p) => /^\d+$/.test(p));
  const [end, unit] = UNITS.find(([e]) => e.test(code)) ?? [/$/, ''];
  const bare = code.replace(end, '');
  const spoken =
    NAMES[code] ?? REST[bare] ?? bare.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
  return { name: row === undefined ? spoken : `${spoken}, line ${Number(row) + 1}`, unit };
}

/** What is wrong with a field, with its name, its limit and the limit's unit: "temperature: at most 400 °C". */
export function fieldProblem(path: string, message: string): string {
  const { name, unit } = fieldWords(path);
  const said = /\d$/.test(message) && unit ? `${message} ${unit}` : message;
  return name.trim() ? `${name}: ${said}` : said;
}
