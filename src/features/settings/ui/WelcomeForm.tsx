'use client';

import { firstVisitAction } from '../actions';
import { ActionForm, Field } from '@/ui/action-form';

/** The first visit: the site and its first release lead. */
export function WelcomeForm({ zones }: { zones: string[] }) {
  const here =
    typeof Intl === 'undefined' ? 'UTC' : Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <ActionForm
      action={firstVisitAction}
      read={(f) => Object.fromEntries(f)}
      label="Set up"
      then="/sign-in"
    >
      <Field name="code" label="Set-up code, printed by the start command" />
      <Field name="siteName" label="Name of the smokehouse" />
      <Field name="timeZone" label="Time zone" value={here}>
        {zones.map((z) => (
          <option key={z}>{z}</option>
        ))}
      </Field>
      <Field name="unitSystem" label="Units" value="metric">
        <option value="metric">°C, kg, g</option>
        <option value="us">°F, lb</option>
      </Field>
      <Field name="name" label="Your name" />
      <Field name="email" label="Your e-mail" type="email" />
      <Field name="password" label="A password of at least 10 characters" type="password" />
    </ActionForm>
  );
}
