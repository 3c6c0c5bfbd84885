/** An estate without a file: rows of like machines, or totals with percentages that have to add up. */
'use client';
import { useState } from 'react';
import {
  type Machine,
  machinesOfTotals,
  MOST_QUICK,
  quickFault,
  type QuickFault,
  quickMachines,
  type QuickTotals,
} from '@/features/fleet/calc';
import { Button } from '@/platform/ui/button';
import { Choice, Field } from '@/platform/ui/field';

interface QuickEstateProps {
  readonly onMachines: (title: string, machines: readonly Machine[]) => void;
  readonly onFile: () => void;
}

interface RowText {
  readonly system: string;
  readonly count: string;
  readonly vcpu: string;
  readonly memory: string;
  readonly storage: string;
}

const EMPTY: RowText = { system: 'Linux', count: '10', vcpu: '4', memory: '16', storage: '100' };
const NUMBERS = [
  ['count', 'How many'],
  ['vcpu', 'vCPU each'],
  ['memory', 'Memory each, GiB'],
  ['storage', 'Disk each, GiB'],
] as const;

const FAULTS: Readonly<Record<QuickFault, string>> = {
  nothing: 'vCPU, memory for each vCPU and vCPU of one machine have to be above zero.',
  'too-many': `That makes more than ${MOST_QUICK} machines. Bring a file, or take larger machines.`,
  shares: 'The systems have to add up to 100 % of what is left after the special work.',
  special: 'The share of special work is between 0 and 100 %.',
};

const read = (text: string): number =>
  /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;

export function QuickEstate({ onMachines, onFile }: QuickEstateProps) {
  const [how, setHow] = useState<'rows' | 'totals'>('rows');
  const [title, setTitle] = useState('Typed estate');
  return (
    <div className="mt-3 max-w-[880px]">
      <p className="max-w-[640px] text-sm text-soft">
        Quick, but how machines are really used is not in it. What is typed is marked as typed.
      </p>
      <div className="mt-3 grid grid-cols-[1fr_1fr_auto] items-end gap-3 max-[700px]:grid-cols-1">
        <Field label="Name of the fleet">
          {(field) => (
            <input
              {...field}
              value={title}
              maxLength={200}
              onChange={(event) => setTitle(event.target.value)}
            />
          )}
        </Field>
        <Choice
          label="What is known"
          value={how}
          options={[
            ['rows', 'Rows of like machines'],
            ['totals', 'Totals only'],
          ]}
          onChange={setHow}
        />
        <Button onClick={onFile}>A file instead</Button>
      </div>
      {how === 'rows' ? (
        <Rows onMachines={(machines) => onMachines(title, machines)} />
      ) : (
        <Totals onMachines={(machines) => onMachines(title, machines)} />
      )}
    </div>
  );
}

function Rows({ onMachines }: { readonly onMachines: (machines: readonly Machine[]) => void }) {
  const [rows, setRows] = useState<readonly RowText[]>([EMPTY]);
  const set = (at: number, part: Partial<RowText>): void =>
    setRows(rows.map((row, index) => (index === at ? { ...row, ...part } : row)));
  const parsed = rows.map(({ system, count, vcpu, memory, storage }) => ({
    system,
    count: read(count),
    vcpu: read(vcpu),
    memory: read(memory),
    storage: read(storage || '0'),
  }));
  const fault = parsed
    .map(({ count, vcpu, memory, storage }, at) =>
      !Number.isInteger(count) || !(count > 0)
        ? `Row ${at + 1}: how many is a whole number above zero.`
        : !(vcpu > 0) || !(memory > 0) || Number.isNaN(storage)
          ? `Row ${at + 1}: vCPU and memory are numbers above zero, disk is a number.`
          : null,
    )
    .find((each) => each !== null);
  const all = parsed.reduce((sum, { count }) => sum + count, 0);
  const tooMany = all > MOST_QUICK ? FAULTS['too-many'] : null;
  return (
    <div className="mt-4">
      {rows.map((row, at) => (
        <div
          key={at}
          role="group"
          aria-label={`Row ${at + 1}`}
          className="mt-2 grid grid-cols-[1.4fr_repeat(4,1fr)_auto] items-end gap-2 max-[700px]:grid-cols-2"
        >
          <Field label="System">
            {(field) => (
              <input
                {...field}
                value={row.system}
                maxLength={100}
                onChange={(event) => set(at, { system: event.target.value })}
              />
            )}
          </Field>
          {NUMBERS.map(([key, label]) => (
            <Field key={key} label={label}>
              {(field) => (
                <input
                  {...field}
                  inputMode="decimal"
                  value={row[key]}
                  maxLength={12}
                  onChange={(event) => set(at, { [key]: event.target.value })}
                />
              )}
            </Field>
          ))}
          <Button
            disabled={rows.length === 1}
            aria-label={`Take row ${at + 1} away`}
            onClick={() => setRows(rows.filter((_, index) => index !== at))}
          >
            Take away
          </Button>
        </div>
      ))}
      <p role="status" className="mt-2 min-h-5 text-sm text-ember-ink">
        {fault ?? tooMany}
      </p>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => setRows([...rows, { ...EMPTY }])}>Add a row</Button>
        <Button
          tone="strong"
          disabled={!!(fault ?? tooMany)}
          onClick={() => onMachines(quickMachines(parsed))}
        >
          Make the machines
        </Button>
      </div>
    </div>
  );
}

const TOTALS = [
  ['vcpu', 'vCPU in all', 'Of all machines together'],
  ['memoryPerVcpu', 'Memory for each vCPU, GiB', 'Usually 4; where much is kept in memory 8'],
  ['storage', 'Disk in all, GiB', 'Set aside, before anything is saved by copies'],
  ['use', 'Used at the peak, %', '100: nobody knows; usual is 20 to 50'],
  ['vcpuEach', 'vCPU of one machine', 'How large one machine is taken for'],
  ['special', 'Work with a special licence, %', 'Of all machines: databases, for example'],
] as const;

function Totals({ onMachines }: { readonly onMachines: (machines: readonly Machine[]) => void }) {
  const [texts, setTexts] = useState<Record<(typeof TOTALS)[number][0], string>>({
    vcpu: '1000',
    memoryPerVcpu: '4',
    storage: '50000',
    use: '40',
    vcpuEach: '4',
    special: '10',
  });
  const [special, setSpecial] = useState('Database');
  const [systems, setSystems] = useState([
    { system: 'Linux', share: '60' },
    { system: 'Server OS', share: '40' },
  ]);
  const totals: QuickTotals = {
    vcpu: read(texts.vcpu),
    memoryPerVcpu: read(texts.memoryPerVcpu),
    storage: read(texts.storage) || 0,
    use: read(texts.use) / 100,
    vcpuEach: read(texts.vcpuEach),
    special: read(texts.special) > 0 ? { system: special, share: read(texts.special) / 100 } : null,
    systems: systems.map(({ system, share }) => ({ system, share: read(share) / 100 })),
  };
  const found = quickFault(totals);
  const sum = systems.reduce((all, { share }) => all + (read(share) || 0), 0);
  const fault =
    found &&
    (found === 'shares' ? `${FAULTS.shares} Now they are ${Number(sum.toPrecision(6))} %.` : FAULTS[found]);
  return (
    <div className="mt-4">
      <div className="grid grid-cols-3 gap-3 max-[700px]:grid-cols-1">
        {TOTALS.map(([key, label, hint]) => (
          <Field key={key} label={label} hint={hint}>
            {(field) => (
              <input
                {...field}
                inputMode="decimal"
                value={texts[key]}
                maxLength={12}
                onChange={(event) => setTexts({ ...texts, [key]: event.target.value })}
              />
            )}
          </Field>
        ))}
        <Field label="What the special work is called">
          {(field) => (
            <input
              {...field}
              value={special}
              maxLength={100}
              onChange={(event) => setSpecial(event.target.value)}
            />
          )}
        </Field>
      </div>
      <h3 className="mt-4 text-sm font-semibold">Systems of what is left</h3>
      {systems.map((row, at) => (
        <div
          key={at}
          role="group"
          aria-label={`System ${at + 1}`}
          className="mt-1 grid grid-cols-[1.4fr_1fr_auto] items-end gap-2"
        >
          <Field label="System">
            {(field) => (
              <input
                {...field}
                value={row.system}
                maxLength={100}
                onChange={(event) =>
                  setSystems(
                    systems.map((each, index) =>
                      index === at ? { ...each, system: event.target.value } : each,
                    ),
                  )
                }
              />
            )}
          </Field>
          <Field label="Share, %">
            {(field) => (
              <input
                {...field}
                inputMode="decimal"
                value={row.share}
                maxLength={8}
                onChange={(event) =>
                  setSystems(
                    systems.map((each, index) =>
                      index === at ? { ...each, share: event.target.value } : each,
                    ),
                  )
                }
              />
            )}
          </Field>
          <Button
            disabled={systems.length === 1}
            aria-label={`Take system ${at + 1} away`}
            onClick={() => setSystems(systems.filter((_, index) => index !== at))}
          >
            Take away
          </Button>
        </div>
      ))}
      <p role="status" className="mt-2 min-h-5 text-sm text-ember-ink">
        {fault}
      </p>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => setSystems([...systems, { system: '', share: '0' }])}>Add a system</Button>
        <Button tone="strong" disabled={fault !== null} onClick={() => onMachines(machinesOfTotals(totals))}>
          Make the machines
        </Button>
      </div>
    </div>
  );
}
