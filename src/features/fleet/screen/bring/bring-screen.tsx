/** Bringing an estate in: a file (or several), what each column is taken for, what was read, and only then it is kept. */
'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { Working } from '@/platform/screen/working';
import { type BringAgain, useBringSession } from './bring-session';
import { QuickEstate } from './quick-estate';
import { ReadResult } from './read-result';
import { TablesMap } from './tables-map';

interface BringScreenProps {
  /** Whose machines are replaced; null: a new fleet. */
  readonly again: BringAgain | null;
}

export function BringScreen({ again }: BringScreenProps) {
  const router = useRouter();
  const [typed, setTyped] = useState(useSearchParams().get('how') === 'typed');
  const [{ stage, mapping, title, progress, busy, trouble }, session] = useBringSession(again);
  const kept = stage.at === 'kept' ? stage.id : null;
  useEffect(() => {
    if (kept === null) return;
    session.end();
    router.push(`/fleets/${kept}`);
    // Its room begins anew, with the machines of now.
    if (session.again) router.refresh();
  }, [kept, session, router]);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto bg-surface">
      <div className="mx-auto max-w-[1180px] px-[18px] py-5">
        {!again && <h1 className="text-lg font-semibold">Bring in a fleet</h1>}
        {again && <h2 className="text-base font-semibold">Bring the inventory in again</h2>}
        {!typed && (
          <p className="mt-1 max-w-[640px] text-sm text-soft">
            {again
              ? 'Machines are found again by their key. What is new, gone and changed is shown before anything is kept; groups and placements stay.'
              : 'Any inventory as CSV or XLSX, with any headings. Several files are joined by the name or key of the machine: machines, disks, hosts, measurements.'}
          </p>
        )}
        {stage.at === 'choose' && !typed && (
          <div className="mt-4 flex flex-wrap items-center gap-2">
            <ChooseFiles disabled={busy !== null} onFiles={(files) => void session.look(files)} />
            {!again && <Button onClick={() => setTyped(true)}>Type totals or rows instead</Button>}
          </div>
        )}
        {stage.at === 'choose' && typed && (
          <QuickEstate
            onFile={() => setTyped(false)}
            onMachines={(name, machines) => void session.typed(name, machines)}
          />
        )}
        {stage.at === 'map' && (
          <>
            {!again && <TitleField title={title} onTitle={(next) => session.setTitle(next)} />}
            <TablesMap looks={stage.looks} mapping={mapping} onMapping={(next) => session.map(next)} />
            <div className="sticky bottom-0 mt-4 flex gap-2 border-t border-ink bg-surface py-3">
              <Button
                tone="strong"
                disabled={busy !== null || !stage.looks.some(({ role }) => role === 'machines')}
                onClick={() => void session.read()}
              >
                Read the machines
              </Button>
              <Button onClick={() => session.chooseAnother()}>Another file</Button>
            </div>
          </>
        )}
        {stage.at === 'read' && (
          <>
            {!again && <TitleField title={title} onTitle={(next) => session.setTitle(next)} />}
            <ReadResult summary={stage.summary} onRejected={() => session.rejected()} />
            <div className="mt-4 flex gap-2 border-t border-ink py-3">
              <Button
                tone="strong"
                disabled={busy !== null || stage.summary.machines === 0}
                onClick={() => void session.keep()}
              >
                {again ? 'Replace the machines' : 'Keep the fleet'}
              </Button>
              <Button
                onClick={() =>
                  stage.files.length > 0 ? void session.look(stage.files) : session.chooseAnother()
                }
              >
                Back
              </Button>
            </div>
          </>
        )}
        {busy && (
          <div className="mt-3">
            <Working progress={progress} words={busy} onStop={() => session.stop()} />
          </div>
        )}
        {trouble && (
          <p role="alert" className="mt-3 max-w-[720px] text-sm font-medium text-ember-ink">
            {trouble} Nothing was changed.
          </p>
        )}
      </div>
    </div>
  );
}

function TitleField({
  title,
  onTitle,
}: {
  readonly title: string;
  readonly onTitle: (title: string) => void;
}) {
  return (
    <div className="mt-4 max-w-[360px]">
      <Field label="Name of the fleet">
        {(field) => (
          <input {...field} value={title} maxLength={200} onChange={(event) => onTitle(event.target.value)} />
        )}
      </Field>
    </div>
  );
}

function ChooseFiles({
  disabled,
  onFiles,
}: {
  readonly disabled: boolean;
  readonly onFiles: (files: readonly File[]) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button tone="strong" disabled={disabled} onClick={() => input.current?.click()}>
        Choose files
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept=".csv,.tsv,.txt,.xlsx,.xlsm"
        aria-label="Inventory files"
        className="hidden"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
    </>
  );
}
