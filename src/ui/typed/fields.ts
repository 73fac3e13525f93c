import { earlyWindow, type Field } from './early-script';

const FIELDS = 'input, select, textarea';
/* Passwords are never written down; files cannot be. */
const NEVER_KEPT = new Set(['password', 'file', 'hidden']);

export type KeptField = { key: string; value: string | boolean };

const isTick = (field: Field): field is HTMLInputElement =>
  field instanceof HTMLInputElement && (field.type === 'checkbox' || field.type === 'radio');

export const valueOf = (field: Field): string | boolean =>
  isTick(field) ? field.checked : field.value;

/** Names the fields of the page, so that each is found again when the page has been loaded anew. */
function keyed(): [key: string, field: Field][] {
  const count = new Map<string, number>();
  return [...document.querySelectorAll<Field>(FIELDS)].map((field) => {
    const label = field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent ?? '';
    const name = [field.name, label, field.type].join('|');
    const nth = count.get(name) ?? 0;
    count.set(name, nth + 1);
    return [`${name}|${nth}`, field];
  });
}

/** What stands in these fields now. */
export const readFields = (touched: ReadonlySet<Field>): KeptField[] =>
  keyed()
    .filter(([, field]) => touched.has(field) && !NEVER_KEPT.has(field.type))
    .map(([key, field]) => ({ key, value: valueOf(field) }));

/** Sets a field as if somebody had typed or chosen it, so that the form behind it hears of it. */
export function enter(field: Field, value: string | boolean): void {
  const prototype = Object.getPrototypeOf(field) as Field;
  const set = (name: 'value' | 'checked', to: unknown) =>
    Object.getOwnPropertyDescriptor(prototype, name)!.set!.call(field, to);
  if (isTick(field)) {
    /* A press turns it over; the prototype's setter is not heard by React, so the press is a change to it. */
    set('checked', value !== true);
    field.click();
    return;
  }
  /* React compares with the last value it saw: the field's own setter tells it of another one first. */
  if (!(field instanceof HTMLSelectElement)) field.value = value === '' ? '0' : '';
  set('value', value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('change', { bubbles: true }));
}

/** Puts what was kept back into the fields of the page. @returns how many were found and differed */
export function restoreFields(kept: readonly KeptField[]): number {
  const at = new Map(keyed());
  let restored = 0;
  for (const { key, value } of kept) {
    const field = at.get(key);
    if (!field || valueOf(field) === value) continue;
    enter(field, value);
    /* It is still what somebody typed, should the page be loaded once more. */
    earlyWindow().jollyTouched?.add(field);
    restored += 1;
  }
  return restored;
}
