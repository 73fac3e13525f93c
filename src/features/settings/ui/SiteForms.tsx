'use client';

import { fromBase, toBase, unitSymbol, type Quantity, type UnitSystem } from '@/core';
import { ROLES } from '@/platform/roles';
import { formFigure } from '@/ui/form-figure';
import {
  addDeviceAction,
  addHouseAction,
  addPersonAction,
  addScaleAction,
  changePersonAction,
  resetPasswordAction,
  revokeDeviceAction,
  saveHangingAction,
  saveSiteAction,
  setAutoAdvanceAction,
} from '../actions';
import type { Site } from '../repository';
import { ActionForm, Field } from '@/ui/action-form';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const num = (v: FormDataEntryValue | null) => formFigure(v) ?? Number.NaN;

function readSite(f: FormData) {
  const hours = Object.fromEntries(
    DAYS.map((_, i) => {
      const [from, to] = [f.get(`from${i + 1}`), f.get(`to${i + 1}`)];
      return [i + 1, from && to ? { from, to } : null];
    }),
  );
  return {
    name: f.get('name'),
    timeZone: f.get('timeZone'),
    locale: f.get('locale'),
    unitSystem: f.get('unitSystem'),
    workingHours: hours,
  };
}

export function SiteForm({ site, zones }: { site: Site; zones: string[] }) {
  return (
    <ActionForm action={saveSiteAction} read={readSite} label="Save the site">
      <Field name="name" label="Name" value={site.name} />
      <Field name="timeZone" label="Time zone" value={site.timeZone}>
        {zones.map((z) => (
          <option key={z}>{z}</option>
        ))}
      </Field>
      <Field name="locale" label="Dates and numbers" value={site.locale}>
        {['en-US', 'en-GB', 'en-CA', 'de-DE'].map((l) => (
          <option key={l}>{l}</option>
        ))}
      </Field>
      <Field name="unitSystem" label="Units" value={site.unitSystem}>
        <option value="metric">°C, kg, g</option>
        <option value="us">°F, lb</option>
      </Field>
      <fieldset>
        <legend className="label">Working hours (empty: day off)</legend>
        {DAYS.map((day, i) => {
          const open = site.workingHours[String(i + 1) as '1'];
          return (
            <div key={day} className="mb-1 grid grid-cols-[6.5rem_1fr_1fr] items-center gap-2">
              <span>{day}</span>
              <input
                aria-label={`${day} from`}
                name={`from${i + 1}`}
                type="time"
                defaultValue={open?.from}
                className="field"
              />
              <input
                aria-label={`${day} to`}
                name={`to${i + 1}`}
                type="time"
                defaultValue={open?.to}
                className="field"
              />
            </div>
          );
        })}
      </fieldset>
    </ActionForm>
  );
}

export const AutoForm = ({ id, on }: { id: string; on: boolean }) => (
  <ActionForm
    action={setAutoAdvanceAction}
    read={(f) => ({ id, autoAdvance: f.get('autoAdvance') === 'yes' })}
    label="Save"
  >
    <Field name="autoAdvance" label="When a stage has what it waited for" value={on ? 'yes' : 'no'}>
      <option value="no">say so; a person goes on</option>
      <option value="yes">the house goes on by itself</option>
    </Field>
  </ActionForm>
);

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

export const ScaleForm = () => (
  <ActionForm
    action={addScaleAction}
    read={(f) => ({
      name: f.get('scaleName'),
      capacityG: num(f.get('capacity')),
      resolutionG: num(f.get('resolution')),
    })}
    label="Add this scale"
    done="Added."
  >
    <Field name="scaleName" label="Name" />
    <Field name="capacity" label="Carries up to (g)" />
    <Field name="resolution" label="Smallest step (g)" />
  </ActionForm>
);

export const HouseForm = () => (
  <ActionForm
    action={addHouseAction}
    read={(f) => ({ name: f.get('houseName'), cores: num(f.get('cores')) })}
    label="Add this house"
    done="Added."
  >
    <Field name="houseName" label="Name" />
    <Field name="cores" label="Core probes" value="2" />
  </ActionForm>
);

type Room = {
  id: string;
  name: string;
  sticks: number | null;
  stickMm: number | null;
  dropMm: number | null;
  capacityG: number | null;
};

/** What hangs in a house: its sticks, how far a piece may drop, and the weight it carries. */
export const HangingForm = ({ house: h, system }: { house: Room; system: UnitSystem }) => {
  const shown = (quantity: Quantity, base: number | null) =>
    base === null ? '' : String(Math.round(fromBase(quantity, base, system) * 1000) / 1000);
  const length = unitSymbol('length', system);
  return (
    <details>
      <summary className="min-h-9 cursor-pointer text-soft">Hanging room</summary>
      <ActionForm
        action={saveHangingAction}
        read={(f) => ({
          id: h.id,
          sticks: num(f.get(`sticks-${h.id}`)),
          stickMm: toBase('length', num(f.get(`stick-${h.id}`)), system),
          dropMm: toBase('length', num(f.get(`drop-${h.id}`)), system),
          capacityG: toBase('mass', num(f.get(`capacity-${h.id}`)), system),
        })}
        label={`Save the room of ${h.name}`}
      >
        <Field name={`sticks-${h.id}`} label="Sticks" value={String(h.sticks ?? '')} />
        <Field
          name={`stick-${h.id}`}
          label={`Length of a stick (${length})`}
          value={shown('length', h.stickMm)}
        />
        <Field
          name={`drop-${h.id}`}
          label={`Longest piece that hangs clear (${length})`}
          value={shown('length', h.dropMm)}
        />
        <Field
          name={`capacity-${h.id}`}
          label={`Carries up to (${unitSymbol('mass', system)})`}
          value={shown('mass', h.capacityG)}
        />
      </ActionForm>
    </details>
  );
};

export const DeviceForm = ({ houses }: { houses: { id: string; name: string }[] }) => (
  <ActionForm
    action={addDeviceAction}
    read={(f) => ({ name: f.get('deviceName'), houseId: f.get('houseId') })}
    label="Register this device"
    done={(d) =>
      `Write this token into the device now; it is not shown again: ${d.token} (at a broker: user name ${d.id}, the token as password)`
    }
  >
    <Field name="deviceName" label="Name" />
    <Field name="houseId" label="House">
      {houses.map((h) => (
        <option key={h.id} value={h.id}>
          {h.name}
        </option>
      ))}
    </Field>
  </ActionForm>
);

export const RevokeForm = ({ id }: { id: string }) => (
  <ActionForm action={revokeDeviceAction} read={() => id} label="Revoke its token" done="Revoked.">
    <span className="sr-only">Revoke</span>
  </ActionForm>
);
