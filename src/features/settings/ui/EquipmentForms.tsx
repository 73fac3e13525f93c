'use client';

import { HOUSE_KINDS, fromBase, toBase, unitSymbol, type Quantity, type UnitSystem } from '@/core';
import { formFigure } from '@/ui/form-figure';
import { ActionForm, Field } from '@/ui/action-form';
import { HOUSE_KIND_WORDS } from '@/words/house';
import {
  addDeviceAction,
  addHouseAction,
  addScaleAction,
  revokeDeviceAction,
  saveHangingAction,
  setAutoAdvanceAction,
} from '../actions';

const num = (v: FormDataEntryValue | null) => formFigure(v) ?? Number.NaN;

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
    read={(f) => ({
      name: f.get('houseName'),
      kind: f.get('houseKind'),
      cores: num(f.get('cores')),
    })}
    label="Add this place"
    done="Added."
  >
    <Field name="houseName" label="Name" />
    <Field name="houseKind" label="What it is" value="house">
      {HOUSE_KINDS.map((k) => (
        <option key={k} value={k}>
          {HOUSE_KIND_WORDS[k]}
        </option>
      ))}
    </Field>
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
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Hanging room</summary>
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
