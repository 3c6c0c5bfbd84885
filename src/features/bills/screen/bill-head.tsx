/** The head of a bill: which it is, its views, the design that it is held against, its period closed, and files. */
'use client';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import type { BillForm, StoredBill } from '@/features/bills/use/bill-ports';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { Field } from '@/platform/ui/field';
import { Menu } from '@/platform/ui/menu';
import { PlaceHead } from '@/platform/shell/place-head';
import { saveFile } from '@/platform/screen/save-file';
import { useBillActs } from './bill-acts';
import { periodWords } from './period-words';

const FORMS: readonly (readonly [form: BillForm, label: string, detail: string])[] = [
  ['pdf', 'PDF', 'the report of the period'],
  ['xlsx', 'XLSX', 'line by line'],
  ['md', 'Markdown', 'the report of the period'],
  ['csv', 'CSV', 'line by line'],
  ['json', 'JSON', 'everything, for programs'],
];

interface BillHeadProps {
  readonly bill: StoredBill;
  readonly design: string | null;
  readonly designs: readonly { readonly id: string; readonly title: string }[];
}

export function BillHeadLine({ bill, design, designs }: BillHeadProps) {
  const acts = useBillActs();
  const [isClosing, setClosing] = useState(false);
  const base = `/bills/${bill.id}`;
  // Whichever money is looked at stays so from view to view, and in files.
  const isBilled = useSearchParams().get('money') === 'billed';
  const view = (name: string): string => `${base}${name}${isBilled ? '?money=billed' : ''}`;
  return (
    <>
      <PlaceHead
        title={`${bill.provider}, ${periodWords(bill)}`}
        viewsOf="Views of the bill"
        views={[
          [view(''), 'Ledger'],
          [view('/days'), 'Days'],
          [view('/mapping'), 'Mapping'],
          [view('/use'), 'Included'],
          [view('/measured'), 'Measured'],
          [view('/prices'), 'Prices'],
          [view('/columns'), 'Columns'],
        ]}
      >
        <select
          aria-label="Held against the design"
          value={design ?? ''}
          onChange={(event) => void acts.link(bill.id, event.target.value || null)}
          className="h-7 max-w-[210px] min-w-0 rounded max-[1100px]:max-w-[128px] max-[700px]:max-w-[210px] border border-edge bg-surface px-2 text-sm"
        >
          <option value="">No design</option>
          {designs.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
        <Menu
          label="Export"
          items={FORMS.map(([form, label, detail]) => ({
            label,
            detail,
            onSelect: () =>
              saveFile(`/api/bills/${bill.id}/file?form=${form}&basis=${isBilled ? 'billed' : 'effective'}`),
          }))}
        />
        {bill.closing ? (
          <Button onClick={() => void acts.reopen(bill.id)}>Open again</Button>
        ) : (
          <Button onClick={() => setClosing(true)}>Close the period</Button>
        )}
      </PlaceHead>
      <Dialog open={isClosing} title="Close the period" onClose={() => setClosing(false)}>
        <Closing
          onClose={(note) => {
            setClosing(false);
            void acts.close(bill.id, note);
          }}
        />
      </Dialog>
    </>
  );
}

function Closing({ onClose }: { readonly onClose: (note: string) => void }) {
  const [note, setNote] = useState('');
  return (
    <div className="px-4 py-3 text-sm">
      <p>
        A closed period cannot be brought in anew or deleted until it is opened again. The note stands in its
        report.
      </p>
      <div className="mt-3">
        <Field label="Note: what explains the difference">
          {({ className: _, ...field }) => (
            <textarea
              {...field}
              value={note}
              rows={5}
              maxLength={4000}
              onChange={(event) => setNote(event.target.value)}
              className="w-full rounded border border-edge bg-surface p-2 text-sm text-ink"
            />
          )}
        </Field>
      </div>
      <div className="mt-3 flex justify-end">
        <Button tone="strong" onClick={() => onClose(note)}>
          Close the period
        </Button>
      </div>
    </div>
  );
}
