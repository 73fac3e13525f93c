import type { ReactNode } from 'react';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listPeople } from '@/features/accounts/repository';
import { RULE_WORDS } from '@/words/batch';
import {
  listDevices,
  listHouses,
  listRules,
  listScales,
  loadSite,
} from '@/features/settings/repository';
import { showOfRequest } from '@/features/settings/show';
import { RuleItem } from '@/features/settings/ui/RuleForm';
import {
  AutoForm,
  DeviceForm,
  HangingForm,
  HouseForm,
  PersonForm,
  PersonRow,
  ResetPasswordForm,
  RevokeForm,
  ScaleForm,
  SiteForm,
} from '@/features/settings/ui/SiteForms';
import { RULE_KINDS } from '@/core';
import { db } from '@/platform/db/client';

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="sheet space-y-3" aria-label={title}>
      <h2 className="text-lg font-semibold">{title}</h2>
      {children}
    </section>
  );
}

/** Settings: the site, its rules with their sources, equipment, people. */
export default async function SettingsPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const run = may(person.role, 'run_site');
  const [site, rules, scales, houses, devices, people] = await Promise.all([
    loadSite(db()),
    listRules(db()),
    listScales(db()),
    listHouses(db()),
    listDevices(db()),
    listPeople(db()),
  ]);
  const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')];
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Settings</h1>
      {!run && <p className="mb-3 text-soft">Only a release lead changes these.</p>}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <Part title="Rules and limits">
          <p className="small">
            New batches pin the rules in use; running ones keep theirs. Confirm each against your
            local code.
          </p>
          {RULE_KINDS.map((kind) => (
            <div key={kind}>
              <h3 className="font-semibold">{RULE_WORDS[kind]}</h3>
              <ul>
                {rules
                  .filter((r) => r.body.kind === kind)
                  .map((r) => (
                    <RuleItem key={r.id} rule={r} canEdit={run} />
                  ))}
              </ul>
            </div>
          ))}
        </Part>
        <div className="space-y-4">
          <Part title="Site">
            {run ? (
              <SiteForm site={site} zones={zones} />
            ) : (
              <p>
                {site.name}, {site.timeZone}
              </p>
            )}
          </Part>
          <Part title="Scales">
            <ul>
              {scales.map((s) => (
                <li key={s.id} className="border-t border-line py-2">
                  {s.name}: up to {show.number(s.capacityG)} g in steps of{' '}
                  {show.number(s.resolutionG, 3)} g
                </li>
              ))}
            </ul>
            {run && <ScaleForm />}
          </Part>
          <Part title="Houses">
            <ul>
              {houses.map((h) => (
                <li key={h.id} className="border-t border-line py-2">
                  <p>
                    {h.name}:{' '}
                    {h.sticks && h.stickMm && h.dropMm && h.capacityG
                      ? `${h.sticks} sticks of ${show.quantity('length', h.stickMm)}, pieces up to ${show.quantity('length', h.dropMm)}, ${show.mass(h.capacityG)}`
                      : 'hanging room not given yet'}
                  </p>
                  {run && <AutoForm id={h.id} on={h.autoAdvance} />}
                  {run && (
                    <HangingForm
                      key={show.settings.system}
                      house={h}
                      system={show.settings.system}
                    />
                  )}
                </li>
              ))}
            </ul>
            {run && <HouseForm />}
          </Part>
          <Part title="Devices">
            <p className="small">
              Loggers report over <a href="/api/v1/openapi.json">the device interface</a> with their
              own token.
            </p>
            <ul>
              {devices.map((d) => (
                <li
                  key={d.id}
                  className="flex flex-wrap items-center gap-3 border-t border-line py-2"
                >
                  <span>
                    {d.name}:{' '}
                    {d.revokedAt
                      ? 'revoked'
                      : d.lastSeenAt
                        ? `last heard ${show.clock(d.lastSeenAt.getTime() / 1000)}`
                        : 'never heard'}
                  </span>
                  {run && !d.revokedAt && <RevokeForm id={d.id} />}
                </li>
              ))}
            </ul>
            {run && houses.length > 0 && <DeviceForm houses={houses} />}
          </Part>
          {run && (
            <Part title="People">
              <ul>
                {people.map((p) => (
                  <li key={p.id} className="border-t border-line py-2">
                    <p>
                      {p.name}, {p.email}
                    </p>
                    <PersonRow
                      id={p.id}
                      name={p.name}
                      role={p.role ?? 'reader'}
                      banned={p.banned ?? false}
                    />
                    <div className="mt-2">
                      <ResetPasswordForm id={p.id} name={p.name} />
                    </div>
                  </li>
                ))}
              </ul>
              <PersonForm />
            </Part>
          )}
        </div>
      </div>
    </>
  );
}
