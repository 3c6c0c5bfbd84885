/** Everything about a component as it was entered, in words, one line a setting. */
import { kindOf, meterOfKind } from '@/engine/books';
import type { Component, UsageEntry } from '@/engine/design';
import { describeRunning, usesRunning } from '@/features/design/words';
import { describeTerm } from '@/engine/terms';
import { groupInText, writeEnteredShare } from '@/platform/words';
import { type Cased, type Load, mapCased, type SizedAmount } from '@/engine/usage';
import type { Labelled } from './model';

/** "6 (lean 4, heavy 9)". */
export function casedWords({ likely, lean, heavy, formula }: Cased, unit = ''): string {
  const others = [lean !== undefined && `lean ${lean}`, heavy !== undefined && `heavy ${heavy}`].filter(
    Boolean,
  );
  const value = `${unit ? `${likely} ${unit}` : likely}${formula === undefined ? '' : `, follows ${formula}`}`;
  return others.length > 0 ? `${value} (${others.join(', ')})` : value;
}

export function settingsOf(component: Component): Labelled[] {
  const rows: Labelled[] = [];
  const add = (label: string, value: string | null | undefined | false): void => {
    if (value) rows.push({ label, value: groupInText(value) });
  };
  const { choice, size, load, licences, months, committed, allocated, custom } = component;
  add('Count', casedWords(component.count));
  if (choice.by === 'cheapest') {
    const { vcpu, memory } = choice.need;
    add('Need', `the cheapest with at least ${vcpu} vCPU and ${memory} GiB`);
  }
  if (component.zones) add('Zones', String(component.zones));
  if (size) add('Size', `${casedWords(size.vcpu, 'vCPU')}, ${casedWords(size.memory, 'GiB')}`);
  if (usesRunning(component) || component.running.pattern !== 'always') {
    add('Running', describeRunning(component.running));
  }
  for (const [meter, entry] of Object.entries(component.usage)) {
    add(meterOfKind(component.kind, meter)?.label ?? meter, entryWords(entry));
  }
  for (const row of custom ?? []) add(row.label, casedWords(row.amount, row.unit));
  if (load) add('Load', loadWords(load));
  if (kindOf(component.kind).committable) add('Paid', describeTerm(component.term));
  if (committed) add('Committed units', casedWords(committed));
  for (const licence of licences ?? []) add(`Licence ${licence.product}`, licence.how);
  if (component.mayBeStopped) add('May be stopped', 'yes');
  if (months) add('Months', `from ${months.from}${months.to === null ? '' : ` to ${months.to}`}`);
  for (const later of component.later ?? []) add(`From month ${later.fromMonth}`, later.amount);
  const tags = Object.entries(component.tags ?? {});
  if (tags.length > 0)
    add('Tags', tags.map(([key, value]) => (value ? `${key} = ${value}` : key)).join(', '));
  if (component.origin) add('From', component.origin);
  if (allocated) add('Allocated to this design', casedWords(mapCased(allocated, writeEnteredShare)));
  return rows;
}

function entryWords({ amount, unit, sizes, each, setAside, keptDays }: UsageEntry): string {
  const parts = [
    sizes
      ? `${sizes.map((row) => `${row.count} of ${row.amount}`).join(', ')} ${unit}`
      : casedWords(amount, unit),
    each && `each ${sizedWords(each)}`,
    setAside && `set aside ${casedWords(setAside, unit)}`,
    keptDays && `kept ${casedWords(keptDays, 'days')}`,
  ];
  return parts.filter(Boolean).join('; ');
}

function loadWords(load: Load): string {
  const rate =
    load.rate.by === 'requests'
      ? casedWords(load.rate.perSecond, 'requests a second')
      : `${casedWords(load.rate.viewers, 'viewers')} refreshing every ${casedWords(load.rate.refreshSeconds, 's')}`;
  const parts = [
    rate,
    load.peak && `× ${load.peak.times.likely} in a peak`,
    load.requestSize && `question ${sizedWords(load.requestSize)}`,
    load.replySize && `answer ${sizedWords(load.replySize)}`,
  ];
  return parts.filter(Boolean).join('; ');
}

function sizedWords({ amount, unit }: SizedAmount): string {
  return casedWords(amount, unit);
}
