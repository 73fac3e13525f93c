'use client';

import { ROLES } from '@/platform/roles';
import { ActionForm, Field } from '@/ui/action-form';
import { addPersonAction, changePersonAction, resetPasswordAction } from '../actions';

export const PersonForm = () => (
  <ActionForm
    action={addPersonAction}
    read={(f) => Object.fromEntries(f)}
    label="Add this person"
    done="Added."
  >
    <Field name="name" label="Name" />
    <Field name="email" label="E-mail" type="email" />
    <Field name="password" label="First password, at least 10 characters" type="password" />
    <Field name="role" label="Role" value="operator">
      {ROLES.map((r) => (
        <option key={r} value={r}>
          {r.replace('_', ' ')}
        </option>
      ))}
    </Field>
  </ActionForm>
);

export const PersonRow = ({
  id,
  role,
  banned,
  name,
}: {
  id: string;
  role: string;
  banned: boolean;
  name: string;
}) => (
  <ActionForm
    action={changePersonAction}
    read={(f) => ({
      id,
      name: f.get(`name-${id}`),
      role: f.get(`role-${id}`),
      banned: f.get(`on-${id}`) === 'off',
    })}
    label="Save"
  >
    <div className="grid items-end gap-2 sm:grid-cols-3">
      <Field name={`name-${id}`} label={`Name of ${name}`} value={name} />
      <Field name={`role-${id}`} label={`Role of ${name}`} value={role}>
        {ROLES.map((r) => (
          <option key={r} value={r}>
            {r.replace('_', ' ')}
          </option>
        ))}
      </Field>
      <Field name={`on-${id}`} label="Account" value={banned ? 'off' : 'on'}>
        <option value="on">may sign in</option>
        <option value="off">switched off</option>
      </Field>
    </div>
  </ActionForm>
);

/** A password for one sign-in, shown once, for a person who has lost theirs. */
export const ResetPasswordForm = ({ id, name }: { id: string; name: string }) => (
  <details>
    <summary className="min-h-12 cursor-pointer py-3">{name} has lost the password</summary>
    <p className="small mb-2">
      {name} is signed out everywhere, and the old password no longer works.
    </p>
    <ActionForm
      action={resetPasswordAction}
      read={() => id}
      label={`New password for ${name}`}
      done={({ password }) =>
        `Tell ${name} this password for one sign-in: ${password}. It is shown only now, and must be changed then.`
      }
    >
      {null}
    </ActionForm>
  </details>
);
