'use client';

import { unitSymbol } from '@/core';
import { stageText } from '@/features/programs/words';
import { StageEditor } from '@/features/programs/ui';
import { NumberField } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import {
  productTexts,
  type BenchData,
  type ProductField,
  type ReadVariant,
  type Variant,
} from '../variant';

const named = (list: readonly { id: string; name: string }[]) =>
  list.map((o) => [o.id, o.name] as const);

/** Product, house and stages of one variant; every change is a new question to the model. */
export function VariantForm({
  variant,
  read,
  data,
  onChange,
}: {
  variant: Variant;
  read: ReadVariant;
  data: BenchData;
  onChange: (patch: Partial<Variant>) => void;
}) {
  const show = useShow();
  const { system } = show.settings;
  const length = unitSymbol('diameter', system);
  const degrees = unitSymbol('temperature', system);
  const product = data.products.find((p) => p.id === variant.productId);
  const texts = (programId: string, productId: string) => {
    const p = data.products.find((x) => x.id === productId)!;
    const program = data.programs.find((x) => x.id === programId);
    return [...(program?.stages ?? p.stages), ...p.chill].map((s, i) =>
      stageText({ ...s, id: `${variant.key}-${i}-${Math.random()}` }, system),
    );
  };
  const fields: [ProductField, string, string][] = [
    ['diameter', 'Diameter', length],
    ['length', 'Length', length],
    ['start', 'Start', degrees],
    ['fat', 'Fat', '%'],
    ['water', 'Water', '%'],
    ['casing', 'Casing passes', '%'],
  ];
  const house = data.houses.find((h) => h.id === variant.houseId);
  return (
    <div className="space-y-4">
      <div className="grid gap-3 sm:grid-cols-3">
        <SelectField
          label="Product"
          value={variant.productId}
          options={named(data.products)}
          onChange={(productId) => {
            const p = data.products.find((x) => x.id === productId)!;
            onChange({
              productId,
              ...productTexts(p.product, system),
              stages: texts(variant.programId, productId),
            });
          }}
        />
        <SelectField
          label="Program"
          value={variant.programId}
          options={[['', 'Of the recipe'], ...named(data.programs)]}
          onChange={(programId) =>
            onChange({ programId, stages: texts(programId, variant.productId) })
          }
        />
        <SelectField
          label="House"
          value={variant.houseId}
          options={named(data.houses)}
          onChange={(houseId) => onChange({ houseId })}
        />
      </div>
      {house && (
        <p className="small">
          {house.runs > 0
            ? `${house.name} moves heat ${show.number(house.film, 2)} times as well as a usual fan house, learned from ${house.runs} ${house.runs === 1 ? 'run' : 'runs'}.`
            : `${house.name} has taught nothing yet: taken as a usual fan house.`}
          {product && !product.cured ? ' This product has no cure.' : ''}
        </p>
      )}
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {fields.map(([field, label, unit]) => (
          <NumberField
            key={field}
            label={label}
            unit={unit}
            value={variant[field]}
            onChange={(text) => onChange({ [field]: text })}
            error={read.problems[field] ?? null}
          />
        ))}
      </div>
      <StageEditor
        stages={variant.stages}
        onChange={(stages) => onChange({ stages })}
        problems={read.stageProblems}
      />
    </div>
  );
}
