'use client';

import { changePasswordAction } from '@/features/accounts/actions';
import { ActionForm, Field } from '@/ui/action-form';

/** Changes one's own password; all other sessions end. */
export const PasswordForm = () => (
  <ActionForm
    action={changePasswordAction}
    read={(f) => Object.fromEntries(f)}
    label="Change it"
    done="Changed. You stay signed in here; everywhere else you are signed out."
    then="/"
  >
    <Field name="current" label="Password until now" type="password" />
    <Field name="next" label="New password, at least 10 characters" type="password" />
  </ActionForm>
);
