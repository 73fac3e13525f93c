'use client';

/** One of a few things that are said with one press, large enough for a wet glove. */
export function PressRow<K extends string>({
  label,
  options,
  busy,
  onPress,
}: {
  label: string;
  options: readonly (readonly [value: K, words: string])[];
  busy: boolean;
  onPress: (value: K) => void;
}) {
  return (
    <div className="grid grid-cols-3 gap-2" role="group" aria-label={label}>
      {options.map(([value, words]) => (
        <button
          key={value}
          type="button"
          className="button min-h-14"
          disabled={busy}
          onClick={() => onPress(value)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}
