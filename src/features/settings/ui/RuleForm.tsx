'use client';

import { useState } from 'react';
import type { RuleBody, UnitSystem } from '@/core';
import { BASIS_WORDS } from '@/features/batches/ui/words';
import { chooseRuleAction, editRuleAction } from '../actions';
import type { RuleChoice } from '../repository';
import { useShow } from '@/ui/show-context';
import { figureName, figureText, figureUnit, ruleFigures, withFigures } from '../rule-figures';
import { ActionForm, Field } from './ActionForm';

/** The rule as the form says it, in the units that it was shown in. */
function bodyOf(body: RuleBody, form: FormData, system: UnitSystem): RuleBody {
  const text = (path: string) => (form.has(path) ? String(form.get(path)) : null);
  const next = withFigures(body, text, system);
  if (next.kind !== 'dose') return next;
  return {
    ...next,
    basis: String(form.get('basis')) as typeof next.basis,
    as: String(form.get('as')) as typeof next.as,
  };
}

/** One rule with its figures and source; a release lead chooses it, or writes a new version with its own source. */
export function RuleItem({ rule, canEdit }: { rule: RuleChoice; canEdit: boolean }) {
  const show = useShow();
  const { system } = show.settings;
  const figures = ruleFigures(rule.body);
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
        {figures
          .map(
            (f) => `${figureName(f.path)} ${figureText(f, system)} ${figureUnit(f.path, system)}`,
          )
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
              body: bodyOf(rule.body, f, system),
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
              {figures.map((f) => (
                <Field
                  key={`${system}.${f.path.join('.')}`}
                  name={f.path.join('.')}
                  label={`${figureName(f.path)}${figureUnit(f.path, system) ? ` (${figureUnit(f.path, system)})` : ''}`}
                  value={figureText(f, system)}
                />
              ))}
            </div>
          </ActionForm>
        </div>
      )}
    </li>
  );
}
