import { unitSymbol, type Recipe, type UnitSystem } from '@/core';
import type { Room, SheetQuery } from '../sheet';

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
      <div className="min-w-52 grow">
        <label htmlFor="sheet-by" className="label">
          What is known today
        </label>
        <select id="sheet-by" name="by" defaultValue={query.by} className="field">
          {options.map(([value, word]) => (
            <option key={value} value={value}>
              {word}
            </option>
          ))}
        </select>
      </div>
      <div className="w-32">
        <label htmlFor="sheet-amount" className="label">
          Amount
        </label>
        <input
          id="sheet-amount"
          name="amount"
          inputMode="decimal"
          autoComplete="off"
          defaultValue={query.amount}
          className="field"
        />
      </div>
      {recipe.meat.length > 1 && (
        <div className="min-w-40">
          <label htmlFor="sheet-trim" className="label">
            Trim, if scarce
          </label>
          <select id="sheet-trim" name="trim" defaultValue={query.trim} className="field">
            {recipe.meat.map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
              </option>
            ))}
          </select>
        </div>
      )}
      <div className="min-w-40">
        <label htmlFor="sheet-house" className="label">
          House
        </label>
        <select
          id="sheet-house"
          name="house"
          defaultValue={query.house ?? rooms[0]?.id}
          className="field"
        >
          {rooms.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </select>
      </div>
      <button className="button-main">Work it out</button>
    </form>
  );
}
