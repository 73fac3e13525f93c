import { earlyWindow, type Field } from './early-script';
import { enter, readFields, restoreFields, valueOf, type KeptField } from './fields';

const KEY = 'jolly-typed';
/** A page that does not answer within this long is shown as ready all the same, ms. */
const LONGEST_WAKING_MS = 20_000;
const LOOK_EVERY_MS = 60;
/** When it is looked at whether what was entered is still there: a part of the page may have been drawn over it, ms. */
const LOOK_AGAIN_MS = [0, 300, 1200];

type Snapshot = {
  path: string;
  build: string | undefined;
  fields: KeptField[];
  /** The application loaded the page anew, not a person. */
  byItself?: boolean;
};

let byItself = false;

/** Loads the page anew without being asked to: what was typed is put back, also where a kept copy comes first. */
export function reloadByItself(): void {
  byItself = true;
  location.reload();
}

const build = () => document.documentElement.dataset.build;

/** Has React taken over every button and form? What is pressed before that is not heard. */
const isHeard = () =>
  [...document.querySelectorAll('button, form')].every((el) =>
    Object.keys(el).some((key) => key.startsWith('__react')),
  );

function enterEarly(early: Map<Field, string | boolean>): void {
  for (const [field, value] of early) if (field.isConnected) enter(field, value);
}

/** Enters again what a late part of the page has overwritten, unless somebody changed it since. */
function enterWhatWasLost(entered: Map<Field, string | boolean>, sinceMs: number): void {
  if ((earlyWindow().jollyTouchedAt ?? 0) > sinceMs) return;
  for (const [field, value] of entered)
    if (field.isConnected && valueOf(field) !== value) enter(field, value);
}

const forgetSnapshot = () => sessionStorage.removeItem(KEY);

/** Did somebody ask for this page anew? Then what had been typed into it is not wanted any more. */
const isAskedAnew = () =>
  performance
    .getEntriesByType('navigation')
    .some((n) => (n as { type?: string }).type === 'reload');

/**
 * What was typed on this page before it was loaded anew by itself: for a newer build, or because a refresh got no answer
 * and the framework took the whole page. It stays kept until it was put back: the page may be loaded once more before that.
 */
function readSnapshot(): Snapshot | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Snapshot | null;
    const isOfHere = kept?.path === location.pathname;
    if (isOfHere && (kept.byItself || kept.build !== build() || !isAskedAnew())) return kept;
    forgetSnapshot();
  } catch {
    /* Where nothing can be kept there is nothing. */
  }
  return null;
}

/** Why a page was loaded anew by itself. */
export type Anew = 'newer_build' | 'no_answer';

/**
 * Once the page answers: no longer marked as waking, what was typed before is entered, and so is what was typed before
 * it was loaded anew by itself. @param onRestored told when something of that was put back @returns how to stop
 */
export function wake(onRestored: (anew: Anew) => void): () => void {
  const snapshot = readSnapshot();
  const endMs = Date.now() + LONGEST_WAKING_MS;
  const timers: ReturnType<typeof setTimeout>[] = [];
  let next: ReturnType<typeof setTimeout>;
  const look = () => {
    if (!isHeard() && Date.now() < endMs) return void (next = setTimeout(look, LOOK_EVERY_MS));
    delete document.documentElement.dataset.waking;
    const early = new Map(earlyWindow().jollyEarly);
    earlyWindow().jollyEarly?.clear();
    const sinceMs = Date.now();
    enterEarly(early);
    if (snapshot && restoreFields(snapshot.fields) > 0)
      onRestored(snapshot.build === build() ? 'no_answer' : 'newer_build');
    if (snapshot) forgetSnapshot();
    for (const ms of LOOK_AGAIN_MS)
      timers.push(setTimeout(() => enterWhatWasLost(early, sinceMs), ms));
  };
  next = setTimeout(look);
  return () => {
    clearTimeout(next);
    timers.forEach(clearTimeout);
  };
}

/** Keeps what stands in the fields for the page that takes this one's place, which may be of a newer build. */
export function keepTyped(): void {
  const fields = readFields(earlyWindow().jollyTouched ?? new Set());
  const snapshot: Snapshot = { path: location.pathname, build: build(), fields, byItself };
  try {
    if (fields.length > 0) sessionStorage.setItem(KEY, JSON.stringify(snapshot));
  } catch {
    /* Where nothing can be kept, the page is only loaded. */
  }
}

/** How long nobody has typed or pressed, ms. */
export const quietMs = (): number => Date.now() - (earlyWindow().jollyTouchedAt ?? 0);
