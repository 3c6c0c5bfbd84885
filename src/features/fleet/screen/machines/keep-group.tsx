/** Keeps the filter that is set as a group with a name. */
'use client';
import { useState } from 'react';
import { filterText } from '@/features/fleet/words';
import { type FleetPlan, isOpenFilter, type MachineFilter } from '@/features/fleet/calc';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { Field } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { freshId } from '../fresh-id';

interface KeepGroupProps {
  readonly plan: FleetPlan;
  readonly filter: MachineFilter;
  readonly onChange: (plan: FleetPlan) => void;
}

export function KeepGroup({ plan, filter, onChange }: KeepGroupProps) {
  const [name, setName] = useState<string | null>(null);
  if (isOpenFilter(filter)) return null;
  const keep = (): void => {
    const id = freshId('g', plan.groups);
    onChange({ ...plan, groups: [...plan.groups, { id, name: name!.trim(), filter }] });
    setName(null);
    tell(`“${name!.trim()}” is a group now.`);
  };
  return (
    <>
      <Button onClick={() => setName(filter.words?.trim() ?? '')}>Keep as a group</Button>
      <Dialog
        open={name !== null}
        title="Keep as a group"
        description={`Machines: ${filterText(filter)}`}
        onClose={() => setName(null)}
      >
        <form
          className="px-4 py-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (name?.trim()) keep();
          }}
        >
          <Field label="Name of the group">
            {(field) => (
              <input
                {...field}
                value={name ?? ''}
                maxLength={200}
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Field>
          <Button type="submit" tone="strong" className="mt-3" disabled={!name?.trim()}>
            Keep it
          </Button>
        </form>
      </Dialog>
    </>
  );
}
