'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDown, Moon } from 'lucide-react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import type { UnitSystem } from '@/core';
import { keepCookie } from '@/ui/cookie';
import { leaveDevice } from '@/workers/offline/client';
import type { Role } from '@/platform/roles';

/** The one unit switch, the theme switch, and signing out. */
export function Switches({ system, name, role }: { system: UnitSystem; name: string; role: Role }) {
  const router = useRouter();
  const units = () => {
    keepCookie('jk-units', system === 'metric' ? 'us' : 'metric');
    router.refresh();
  };
  const theme = () => {
    const root = document.documentElement;
    const dark = root.dataset.theme
      ? root.dataset.theme === 'dark'
      : matchMedia('(prefers-color-scheme: dark)').matches;
    const next = dark ? 'light' : 'dark';
    root.dataset.theme = next;
    keepCookie('jk-theme', next);
  };
  const signOut = async () => {
    await leaveDevice();
    await fetch('/api/auth/sign-out', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    });
    router.replace('/sign-in');
    router.refresh();
  };
  const unitNames = system === 'metric' ? '°C and kg' : '°F and lb';
  return (
    <>
      <button
        type="button"
        onClick={units}
        className="button px-3 max-sm:hidden"
        aria-label={`Units: ${unitNames}. Switch`}
      >
        {system === 'metric' ? '°C kg' : '°F lb'}
      </button>
      <button
        type="button"
        onClick={theme}
        className="button px-3 max-sm:hidden"
        aria-label="Switch between light and dark"
      >
        <Moon size={18} aria-hidden="true" />
      </button>
      <Menu>
        <MenuButton className="button px-3">
          {name.split(' ')[0]} <ChevronDown size={16} aria-hidden="true" />
        </MenuButton>
        <MenuItems
          anchor="bottom end"
          className="z-10 mt-1 rounded-md border border-line bg-sheet p-2 shadow-sm"
        >
          <p className="px-2 py-1 small">
            {name}, {role.replace('_', ' ')}
          </p>
          <MenuItem>
            <button type="button" onClick={units} className="button mb-2 w-full sm:hidden">
              Units: {unitNames}. Switch
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" onClick={theme} className="button mb-2 w-full sm:hidden">
              Light or dark
            </button>
          </MenuItem>
          <MenuItem>
            <Link href="/account" className="button mb-2 w-full">
              Your account
            </Link>
          </MenuItem>
          <MenuItem>
            <button type="button" onClick={signOut} className="button w-full">
              Sign out
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </>
  );
}
