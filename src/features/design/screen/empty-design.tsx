/** What an empty design says under its first blank line. */
'use client';
import { Button } from '@/platform/ui/button';

export function EmptyDesign({
  onFirst,
  onKeys,
}: {
  readonly onFirst: () => void;
  readonly onKeys: () => void;
}) {
  return (
    <div className="absolute top-[188px] left-[18px] max-w-[440px] pr-[18px]">
      <h2 className="text-base font-semibold">Nothing written yet</h2>
      <p className="mt-1 text-sm text-soft">
        Write one line for each thing you plan to run: what it is, where, how much of it, how it is paid. Its
        amount and the total follow while you type, and every amount opens into how it adds up.
      </p>
      <div className="mt-3 flex gap-2">
        <Button tone="strong" onClick={onFirst}>
          Write the first component
        </Button>
        <Button onClick={onKeys}>Show the keys</Button>
      </div>
    </div>
  );
}
