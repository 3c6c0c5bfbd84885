/** Size set freely, committed units, months, whether it may be stopped. */
'use client';
import { Decimal, err, issue, ok, type Result } from '@/engine/base';
import { kindOf } from '@/engine/books';
import type { FreeSize } from '@/engine/design';
import { commitmentOf } from '@/engine/terms';
import { type Cased, inAllCases } from '@/engine/usage';
import { CasedEntry } from './cased-entry';
import { ReadEntry } from './read-entry';
import { setField, type SettingsProps } from './settings-props';
import { readNumber, readWhole } from '../cells/number-text';
import { tagsText } from '@/features/design/words';
import { readTags } from '../cells/tags-text';

export function SizeEntries({ component, lacks, apply, preview }: SettingsProps) {
  const { size } = component;
  const wanted = size || kindOf(component.kind).size === 'free' || lacks.includes('size.missing');
  if (!wanted) return null;
  const withPart = (field: keyof FreeSize, next: Cased): FreeSize => {
    if (size) return { ...size, [field]: next };
    // The first entry brings the other along at a common ratio, so that there is an amount at once.
    const other = new Decimal(next.likely).times(field === 'vcpu' ? 4 : 0.25).toString();
    return field === 'vcpu'
      ? { vcpu: next, memory: inAllCases(other) }
      : { vcpu: inAllCases(other), memory: next };
  };
  const entry = (label: string, unit: string, value: Cased | null, field: keyof FreeSize) => (
    <CasedEntry
      label={label}
      unit={unit}
      value={value}
      read={readNumber}
      preview={(next) => {
        preview(next ? [setField(component, 'size', withPart(field, next))] : []);
        return null;
      }}
      commit={(next) => apply([setField(component, 'size', withPart(field, next))])}
      cancel={() => preview([])}
    />
  );
  return (
    <div className="space-y-2">
      {entry('vCPU', 'of each', size?.vcpu ?? null, 'vcpu')}
      {entry('Memory', 'GiB of each', size?.memory ?? null, 'memory')}
    </div>
  );
}

export function CommittedEntries({ component, apply, preview }: SettingsProps) {
  if (!commitmentOf(component.term) || kindOf(component.kind).meters[0]?.from !== 'running') return null;
  return (
    <CasedEntry
      label="Committed"
      unit="units; those that always run unless said"
      value={component.committed ?? null}
      read={readWhole}
      preview={(next) => {
        preview(next ? [setField(component, 'committed', next)] : []);
        return null;
      }}
      commit={(next) => apply([setField(component, 'committed', next)])}
      cancel={() => preview([])}
    />
  );
}

export function StoppableEntry({ component, apply }: SettingsProps) {
  if (component.term !== 'interruptible' && !component.mayBeStopped) return null;
  return (
    <label className="flex items-center gap-2 text-sm">
      <input
        type="checkbox"
        checked={component.mayBeStopped ?? false}
        onChange={(event) => apply([setField(component, 'mayBeStopped', event.target.checked || null)])}
        className="accent-brand"
      />
      keeps no state and may be stopped at any time
    </label>
  );
}

/** What a bill would carry; found by the ledger's words. */
export function TagsEntry({ component, apply }: SettingsProps) {
  const { origin, tags } = component;
  return (
    <>
      <ReadEntry
        label="Tags"
        text={tagsText(tags)}
        maxLength={4000}
        placeholder="team = booking, stage = live"
        read={readTags}
        onRead={(next) => apply([setField(component, 'tags', next)])}
      />
      {origin && <p className="text-xs break-words text-soft">From: {origin}</p>}
    </>
  );
}

function readMonth(text: string): Result<number | null> {
  if (text.trim() === '') return ok(null);
  const month = Number(text);
  if (Number.isInteger(month) && month >= 1 && month <= 120) return ok(month);
  return err(issue('edit.invalid', [], { reason: 'a month is a whole number from 1 to 120.' }));
}

export function MonthEntries({ component, apply }: SettingsProps) {
  const { months } = component;
  const entry = (label: string, value: number | null | undefined, make: (month: number | null) => void) => (
    <ReadEntry label={label} text={value ? String(value) : ''} maxLength={3} read={readMonth} onRead={make} />
  );
  const set = (from: number, to: number | null): void =>
    apply([
      setField(
        component,
        'months',
        from === 1 && to === null ? null : { from, to: to && Math.max(from, to) },
      ),
    ]);
  return (
    <div className="grid grid-cols-2 gap-1.5">
      {entry('First month', months?.from, (from) => set(from ?? 1, months?.to ?? null))}
      {entry('Last month', months?.to, (to) => set(months?.from ?? 1, to))}
    </div>
  );
}
