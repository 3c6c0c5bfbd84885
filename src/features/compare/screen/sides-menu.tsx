/** Which sides are shown, and in which order. */
'use client';
import type { Arrangement } from '@/features/compare/calc/comparison';
import type { Alternative } from '@/engine/design';
import { Menu } from '@/platform/ui/menu';

interface SidesMenuProps {
  readonly alternatives: readonly Alternative[];
  readonly arrangement: Arrangement;
  readonly onChange: (arrangement: Arrangement) => void;
}

export function SidesMenu({ alternatives, arrangement, onChange }: SidesMenuProps) {
  const { hidden, byAmount } = arrangement;
  const gone = alternatives.filter(({ id }) => hidden.has(id)).length;
  const turn = (id: string): void => {
    const next = new Set(hidden);
    if (!next.delete(id)) next.add(id);
    onChange({ ...arrangement, hidden: next });
  };
  return (
    <Menu
      label={gone === 0 ? 'Sides' : `Sides, ${gone} hidden`}
      items={[
        {
          label: 'what costs least first',
          checked: byAmount,
          onSelect: () => onChange({ ...arrangement, byAmount: !byAmount }),
        },
        ...alternatives.map(({ id, name }) => ({
          key: id,
          label: name,
          checked: !hidden.has(id),
          onSelect: () => turn(id),
        })),
      ]}
    />
  );
}
