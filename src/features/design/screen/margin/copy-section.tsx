/** A section again as another environment: a share of it, perhaps in office hours only. Need A7. */
'use client';
import { useState } from 'react';
import { environmentOf } from '@/features/checklist/calc';
import type { Design, Edit, Section } from '@/engine/design';
import type { Running } from '@/engine/usage';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { readPercent } from '../cells/percent-text';

const RUNNING: Readonly<Record<string, Running | null>> = {
  'as in the original': null,
  'office hours, 10 h × 22 d': {
    pattern: 'days',
    hoursPerDay: { likely: '10' },
    daysPerMonth: { likely: '22' },
  },
  '60 hours a month': { pattern: 'hours', hoursPerMonth: { likely: '60' } },
};

interface CopySectionProps {
  readonly section: Section;
  readonly design: Design;
  readonly apply: (edits: readonly Edit[]) => boolean;
}

export function CopySection({ section, design, apply }: CopySectionProps) {
  const [name, setName] = useState('Staging');
  const [share, setShare] = useState('30');
  const [running, setRunning] = useState('office hours, 10 h × 22 d');
  const read = readPercent(share);
  const fault = read.ok && read.value !== '0' ? null : 'More than 0 %, such as 30.';
  const copy = (): void => {
    if (fault || !read.ok || name.trim() === '') return;
    const environment = environmentOf(section, {
      name: name.trim(),
      share: read.value,
      running: RUNNING[running] ?? null,
      newId: () => crypto.randomUUID(),
    });
    apply([{ edit: 'add-section', index: design.sections.indexOf(section) + 1, section: environment }]);
  };
  return (
    <form
      className="space-y-2.5"
      onSubmit={(event) => {
        event.preventDefault();
        copy();
      }}
    >
      <div className="grid grid-cols-[1fr_90px] gap-2">
        <Field label="Name">
          {(field) => (
            <input
              {...field}
              value={name}
              maxLength={200}
              onChange={(event) => setName(event.target.value)}
            />
          )}
        </Field>
        <Field label="Size of it, %" fault={fault}>
          {(field) => (
            <input
              {...field}
              value={share}
              maxLength={12}
              onChange={(event) => setShare(event.target.value)}
            />
          )}
        </Field>
      </div>
      <Field label="Running" hint="Parts that stop are paid on demand">
        {(field) => (
          <select {...field} value={running} onChange={(event) => setRunning(event.target.value)}>
            {Object.keys(RUNNING).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        )}
      </Field>
      <Button type="submit" disabled={fault !== null || name.trim() === ''}>
        Copy the section
      </Button>
    </form>
  );
}
