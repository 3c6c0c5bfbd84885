/** What explains the difference of a line: kept with the period, printed in its report, frozen when it is closed. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { BillView } from '@/features/bills/use/bill-view';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { callApi } from '@/platform/screen/call-api';
import { toldIfFailed } from '@/platform/screen/told-acts';

export function LineNote({ view: { bill }, line }: { readonly view: BillView; readonly line: string }) {
  const router = useRouter();
  const kept = bill.notes[line] ?? '';
  const [note, setNote] = useState(kept);
  if (bill.closing) return kept ? <p className="mt-3 text-sm break-words">{`Note: ${kept}`}</p> : null;
  const save = (): Promise<void> =>
    toldIfFailed(async () => {
      await callApi(`/api/bills/${bill.id}/notes`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ line, text: note }),
      });
      router.refresh();
      tell(note.trim() ? 'The note was kept.' : 'The note was taken away.');
    });
  return (
    <div className="mt-3">
      <Field label="Note: what explains it">
        {({ className: _, ...field }) => (
          <textarea
            {...field}
            rows={2}
            value={note}
            maxLength={1000}
            onChange={(event) => setNote(event.target.value)}
            className="w-full rounded border border-edge bg-surface p-2 text-sm text-ink"
          />
        )}
      </Field>
      {note.trim() !== kept && (
        <div className="mt-1 flex justify-end">
          <Button onClick={() => void save()}>Keep the note</Button>
        </div>
      )}
    </div>
  );
}
