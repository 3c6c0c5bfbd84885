/** A quantity as a list of sizes: "3 of 40, 1 of 2100". Steps are paid by each instance's own size. */
'use client';
import { err, issue, ok, parseDecimal, type Result } from '@/engine/base';
import { asOneAmount, type SizeRow, type UsageEntry, withSizes } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { ReadEntry } from './read-entry';

export function readSizes(text: string): Result<SizeRow[]> {
  const rows: SizeRow[] = [];
  for (const part of text.split(',')) {
    const [, count = '', amount = ''] = /^\s*(\S+)\s+(?:of|×|x)\s+(\S+)\s*$/.exec(part) ?? [];
    if (!amount) {
      return err(
        issue('edit.invalid', [], { reason: 'write how many of which size, such as 3 of 40, 1 of 2100.' }),
      );
    }
    const [number, size] = [parseDecimal(count), parseDecimal(amount)];
    if (!number.ok) return number;
    if (!size.ok) return size;
    if (!number.value.isInteger() || number.value.isNegative())
      return err(issue('count.not-whole', [], { count }));
    if (size.value.isNegative()) return err(issue('quantity.negative', [], { amount }));
    rows.push({ count: number.value.toString(), amount: size.value.toString() });
  }
  return ok(rows);
}

interface SizesEntryProps {
  readonly label: string;
  readonly entry: UsageEntry;
  readonly onChange: (entry: UsageEntry) => void;
}

export function SizesEntry({ label, entry, onChange }: SizesEntryProps) {
  return (
    <div>
      <ReadEntry
        label={`${label}, sizes in ${entry.unit}`}
        text={entry.sizes!.map((row) => `${row.count} of ${row.amount}`).join(', ')}
        hint="what one unit has: how many of which size, such as 3 of 40, 1 of 2100"
        read={readSizes}
        onRead={(sizes) => onChange(withSizes(entry, sizes))}
      />
      <Button tone="bare" className="mt-1" onClick={() => onChange(asOneAmount(entry))}>
        As one amount
      </Button>
    </div>
  );
}
