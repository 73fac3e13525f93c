'use client';

import { useState } from 'react';
import type { RuleBody } from '@/core';
import { BASIS_WORDS } from '@/features/batches/ui/words';
import { chooseRuleAction, editRuleAction } from '../actions';
import type { RuleChoice } from '../repository';
import { ActionForm, Field } from './ActionForm';

const NAMES: Record<string, string> = {
  minPpm: 'At least (ppm)',
  maxPpm: 'At most (ppm)',
  fromC: 'From (°C)',
  toC: 'To (°C)',
  maxS: 'Within (s)',
  minS: 'At least (s)',
  maxCoolerC: 'Cooler at most (°C)',
  acceleratorFromPpm: 'Same day from accelerator (ppm)',
  tRefC: 'Reference temperature (°C)',
  dRefMin: 'D (min)',
  zC: 'z (°C)',
  creditFromC: 'Credit from (°C)',
  meat: 'Meat',
  poultry: 'Poultry',
  maxGapS: 'Logger gap at most (s)',
  handMaxGapS: 'Hand gap at most (s)',
  chillMaxGapS: 'Chill gap at most (s)',
  flatLineS: 'Flat line after (s)',
  maxCPerMin: 'Steepest change (°C/min)',
  coldSmokeBelowC: 'Cold smoke below (°C)',
  nitritePpm: 'Needs nitrite (ppm)',
  acceleratorPpm: 'Needs accelerator (ppm)',
  steps: 'Step',
  model: 'Model',
  endPointC: 'End point (°C)',
  targetLogs: 'Logs',
  needs: 'For',
  minSaltFraction: 'Salt at least (share)',
  maxSaltFraction: 'Salt at most (share)',
  maxAcceleratorPpm: 'Accelerator at most (ppm)',
  maxBinderFraction: 'Binder at most (share)',
  maxPhosphateFraction: 'Phosphate at most (share)',
  maxFatFraction: 'Fat at most (share)',
  maxFatWaterFraction: 'Fat and added water at most (share)',
  targetPh: 'pH to reach',
  floorC: 'Counts above (°C)',
  bands: 'Band',
  belowC: 'below (°C)',
  degreeHours: 'degree-hours (°C·h)',
};

type Leaf = { path: string[]; value: number };

/** Every number of a rule with the way to it. */
function leaves(value: unknown, path: string[] = []): Leaf[] {
  if (typeof value === 'number') return [{ path, value }];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([k, v]) => leaves(v, [...path, k]));
}

function withNumbers(body: RuleBody, form: FormData): RuleBody {
  const copy = structuredClone(body);
  if (copy.kind === 'dose') {
    copy.basis = String(form.get('basis')) as typeof copy.basis;
    copy.as = String(form.get('as')) as typeof copy.as;
  }
  for (const { path } of leaves(body)) {
    const at = path
      .slice(0, -1)
      .reduce<Record<string, unknown>>(
        (o, k) => o[k] as Record<string, unknown>,
        copy as unknown as Record<string, unknown>,
      );
    at[path.at(-1)!] = Number(String(form.get(path.join('.'))).replace(',', '.'));
  }
  return copy;
}

const named = (path: string[]) => path.map((p) => NAMES[p] ?? String(Number(p) + 1)).join(' ');

/** One rule with its figures and source; a release lead chooses it, or writes a new version with its own source. */
export function RuleItem({ rule, canEdit }: { rule: RuleChoice; canEdit: boolean }) {
  const [edit, setEdit] = useState(false);
  return (
    <li
      className={`border-t border-line py-3 ${rule.chosen ? 'border-l-4 border-l-accent pl-3' : ''}`}
    >
      <p className="font-semibold">
        {rule.title}, version {rule.version}
        {rule.chosen ? ' · in use' : ''}
      </p>
      <p className="small">{rule.source}</p>
      <p className="small">
        {rule.body.kind === 'dose' &&
          `ppm of the ${BASIS_WORDS[rule.body.basis]}, as ${(rule.body.as ?? 'sodium_nitrite').replace('_', ' ')} · `}
        {leaves(rule.body)
          .map((l) => `${named(l.path)}: ${l.value}`)
          .join(' · ')}
      </p>
      {rule.chosen && (
        <p className="small">
          {rule.confirmedByName
            ? `Confirmed by ${rule.confirmedByName}, ${rule.confirmedAt?.toISOString().slice(0, 10)}`
            : 'Not confirmed by the site yet'}
        </p>
      )}
      {canEdit && (
        <div className="mt-1 flex flex-wrap gap-2">
          <ActionForm
            action={chooseRuleAction}
            read={() => rule.id}
            label={rule.chosen ? 'Confirm it for this site' : 'Use it for new batches'}
          >
            <span className="sr-only">{rule.title}</span>
          </ActionForm>
          <button type="button" className="button" onClick={() => setEdit(!edit)}>
            Own figures
          </button>
        </div>
      )}
      {edit && (
        <div className="mt-2 rounded bg-paper p-3">
          <ActionForm
            action={editRuleAction}
            read={(f) => ({
              ruleId: rule.id,
              title: f.get('title'),
              source: f.get('source'),
              body: withNumbers(rule.body, f),
            })}
            label="Save as a new version"
          >
            <Field name="title" label="Title" value={rule.title} />
            <Field name="source" label="Source of these figures" value="" />
            {rule.body.kind === 'dose' && (
              <div className="grid gap-2 sm:grid-cols-2">
                <Field name="basis" label="ppm of the" value={rule.body.basis}>
                  {Object.entries(BASIS_WORDS).map(([basis, word]) => (
                    <option key={basis} value={basis}>
                      {word}
                    </option>
                  ))}
                </Field>
                <Field
                  name="as"
                  label="Limits expressed as"
                  value={rule.body.as ?? 'sodium_nitrite'}
                >
                  <option value="sodium_nitrite">sodium nitrite</option>
                  <option value="nitrite_ion">nitrite ion</option>
                </Field>
              </div>
            )}
            <div className="grid gap-2 sm:grid-cols-2">
              {leaves(rule.body).map((l) => (
                <Field
                  key={l.path.join('.')}
                  name={l.path.join('.')}
                  label={named(l.path)}
                  value={String(l.value)}
                />
              ))}
            </div>
          </ActionForm>
        </div>
      )}
    </li>
  );
}
