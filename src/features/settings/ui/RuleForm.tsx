'use client';

import { useState } from 'react';
import type { RuleBody, UnitSystem } from '@/core';
import { chooseRuleAction, editRuleAction } from '../actions';
import type { RuleChoice } from '../repository';
import { useShow } from '@/ui/show-context';
import {
  entryText,
  entryUnit,
  entryWords,
  ruleEntries,
  withEntries,
  type RuleEntry,
} from '../rule-figures';
import { ActionForm, Field } from '@/ui/action-form';

/** The rule as the form says it, in the units that it was shown in. */
const bodyOf = (body: RuleBody, form: FormData, system: UnitSystem): RuleBody =>
  withEntries(body, (path) => (form.has(path) ? String(form.get(path)) : null), system);

/** One entry of a rule as a field: figures typed, switches and choices picked. */
function EntryField({ entry, system }: { entry: RuleEntry; system: UnitSystem }) {
  const { field } = entry;
  const unit = entryUnit(entry, system);
  const label = `${entry.name}${unit ? ` (${unit})` : ''}${field.optional ? ', may be left out' : ''}`;
  const options =
    field.as === 'choice' ? field.of : field.as === 'flag' ? { yes: 'yes', no: 'no' } : null;
  return (
    <Field
      name={entry.path.join('.')}
      label={label}
      value={entryText(entry, system)}
      optional={field.optional}
    >
      {options && [
        ...(field.optional ? [<option key="" value="" />] : []),
        ...Object.entries(options).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        )),
      ]}
    </Field>
  );
}

/** One rule with its figures and source; a release lead chooses it, or writes a new version with its own source. */
export function RuleItem({ rule, canEdit }: { rule: RuleChoice; canEdit: boolean }) {
  const show = useShow();
  const { system } = show.settings;
  const entries = ruleEntries(rule.body);
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
        {entries
          .map((e) => entryWords(e, system))
          .filter(Boolean)
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
            <div className="grid gap-2 sm:grid-cols-2">
              {entries.map((e) => (
                <EntryField key={`${system}.${e.path.join('.')}`} entry={e} system={system} />
              ))}
            </div>
          </ActionForm>
        </div>
      )}
    </li>
  );
}
