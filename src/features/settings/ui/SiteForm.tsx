'use client';

import { saveSiteAction } from '../actions';
import type { Site } from '../repository';
import { ActionForm, Field } from '@/ui/action-form';
import { TextField } from '@/ui/text-field';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

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
              <TextField
                label={`${day} from`}
                quiet
                name={`from${i + 1}`}
                type="time"
                defaultValue={open?.from}
              />
              <TextField
                label={`${day} to`}
                quiet
                name={`to${i + 1}`}
                type="time"
                defaultValue={open?.to}
              />
            </div>
          );
        })}
      </fieldset>
    </ActionForm>
  );
}
