import { unitSymbol, type Recipe, type UnitSystem } from '@/core';
import type { Room, SheetQuery } from '../sheet';
import { TextField } from '@/ui/text-field';
import { Select } from '@/ui/select-field';

type Props = { recipe: Recipe; query: SheetQuery; rooms: Room[]; system: UnitSystem };

/** What is known today decides the batch: a plain form, so that the address can be kept and shared. */
export function SheetChooser({ recipe, query, rooms, system }: Props) {
  const mass = unitSymbol('mass', system);
  const options = [
    ['meat', `Meat on the bench (${mass})`],
    ['finished', `Finished weight wanted (${mass})`],
    ['batter', `Batter for the stuffer (${mass})`],
    ['casing', `Casing at hand (${unitSymbol('length', system)})`],
    ['house', 'Room in the house'],
    ['trim', `Scarcest trim (${mass})`],
  ] as const;
  return (
    <form
      method="get"
      className="no-print sheet mb-4 flex flex-wrap items-end gap-3"
      aria-label="What is known"
    >
      {query.version !== undefined && <input type="hidden" name="version" value={query.version} />}
      <Select label="What is known today" wrap="min-w-52 grow" name="by" defaultValue={query.by}>
        {options.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </Select>
      <TextField
        label="Amount"
        wrap="w-32"
        name="amount"
        inputMode="decimal"
        autoComplete="off"
        defaultValue={query.amount}
      />
      {recipe.meat.length > 1 && (
        <Select label="Trim, if scarce" wrap="min-w-40" name="trim" defaultValue={query.trim}>
          {recipe.meat.map((m) => (
            <option key={m.id} value={m.id}>
              {m.name}
            </option>
          ))}
        </Select>
      )}
      <Select label="House" wrap="min-w-40" name="house" defaultValue={query.house ?? rooms[0]?.id}>
        {rooms.map((r) => (
          <option key={r.id} value={r.id}>
            {r.name}
          </option>
        ))}
      </Select>
      <button className="button-main">Work it out</button>
    </form>
  );
}
