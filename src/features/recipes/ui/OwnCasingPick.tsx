'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { Options, Select } from '@/ui/select-field';
import type { Draft } from '../draft';
import { useDesk } from './editor-context';

/**
 * A casing of the site's own in place of a kind of the table: what is known of it goes into the version, and stays with it
 * whatever becomes of the site's list.
 */
export function OwnCasingPick({ at }: { at: `parts.${number}` | null }) {
  const { casings } = useDesk();
  const { setValue } = useFormContext<Draft>();
  const [own, name] = useWatch<Draft, ['own', 'casing']>({
    name: at ? ([`${at}.own`, `${at}.casing`] as never) : ['own', 'casing'],
  });
  const known = casings.find((c) => own && c.name === name);
  if (casings.length === 0 && !own) return null;
  const choose = (id: string) => {
    const chosen = casings.find((c) => c.id === id);
    const change = { shouldDirty: true };
    setValue(at ? `${at}.own` : 'own', chosen?.facts ?? null, change);
    if (chosen) setValue(at ? `${at}.casing` : 'casing', chosen.name, change);
  };
  return (
    <Select
      dense
      label="Of the site"
      wrap="min-w-32 flex-1"
      value={own ? (known?.id ?? 'version') : ''}
      onChange={(e) => choose(e.target.value)}
    >
      <Options
        of={[
          ['', 'none'],
          ...casings.map((c) => [c.id, c.name] as const),
          ...(own && !known ? [['version', `${name}, as in this version`] as const] : []),
        ]}
      />
    </Select>
  );
}
