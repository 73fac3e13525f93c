import type { ReactNode } from 'react';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { Tabs } from '@/ui/tabs';

const TABS = [
  ['/settings', 'Rules'],
  ['/settings/site', 'Site'],
  ['/settings/equipment', 'Equipment'],
  ['/settings/people', 'People'],
  ['/settings/hours', 'Hours'],
] as const;

/** The settings: rules, site, equipment, people. */
export default async function SettingsLayout({ children }: { children: ReactNode }) {
  const person = await requirePage();
  return (
    <>
      <h1 className="mb-2 text-2xl font-extrabold">Settings</h1>
      <div className="mb-4 border-b border-line">
        <Tabs label="Settings" tabs={TABS} />
      </div>
      {!may(person.role, 'run_site') && (
        <p className="mb-3 text-soft">Only a release lead changes these.</p>
      )}
      {children}
    </>
  );
}
