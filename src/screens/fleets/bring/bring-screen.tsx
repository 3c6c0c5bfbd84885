/** Bringing an estate in: a file (or several), what each column is taken for, what was read, and only then it is kept. */
'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useRef, useState } from 'react';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import type { FleetClient } from '@/workers/fleet-client';
import type { FleetProgress, LookedAt, PlainMapping, ReadSummary } from '@/workers/fleet-protocol';
import { callApi, postJson } from '../../lib/call-api';
import { useFleetWorker } from '../fleet-worker';
import { Working } from '../working';
import { QuickEstate } from './quick-estate';
import { ReadResult } from './read-result';
import { TablesMap } from './tables-map';

const NO_MAPPING: PlainMapping = { chosen: {}, units: {}, roles: {} };

interface BringScreenProps {
  /** Whose machines are replaced; null: a new fleet. */
  readonly again: { readonly id: string; readonly title: string; readonly client: FleetClient | null } | null;
}

type Stage =
  | { readonly at: 'choose' }
  | { readonly at: 'map'; readonly files: readonly File[]; readonly looks: readonly LookedAt[] }
  | {
      readonly at: 'read';
      readonly files: readonly File[];
      readonly summary: ReadSummary;
      readonly origin: string;
    };

export function BringScreen({ again }: BringScreenProps) {
  const router = useRouter();
  const [typed, setTyped] = useState(useSearchParams().get('how') === 'typed');
  const own = useFleetWorker(null, 0);
  const client = again ? again.client : own.client;
  const [stage, setStage] = useState<Stage>({ at: 'choose' });
  const [mapping, setMapping] = useState<PlainMapping>(NO_MAPPING);
  const [title, setTitle] = useState(again?.title ?? '');
  const [progress, setProgress] = useState<FleetProgress | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stopper = useRef<AbortController | null>(null);

  const attempt = async (words: string, act: (signal: AbortSignal) => Promise<void>): Promise<void> => {
    const controller = new AbortController();
    stopper.current = controller;
    setBusy(words);
    setProgress(null);
    setTrouble(null);
    try {
      await act(controller.signal);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    } finally {
      setBusy(null);
      setProgress(null);
    }
  };
  const look = (files: readonly File[]): void =>
    void attempt('Looking at the file', async (signal) => {
      const first = await client!.ask({ ask: 'look', files, mapping: NO_MAPPING }, { signal });
      const known = await postJson<PlainMapping | null>('/api/fleets/mapping', {
        headings: headingsOf(first),
      });
      const looks = known ? await client!.ask({ ask: 'look', files, mapping: known }, { signal }) : first;
      setMapping(known ?? NO_MAPPING);
      if (!title) setTitle(files[0]!.name.replace(/\.\w+$/, ''));
      setStage({ at: 'map', files, looks });
    });
  const map = (next: PlainMapping): void => {
    if (stage.at !== 'map') return;
    setMapping(next);
    void client!.ask({ ask: 'look', files: stage.files, mapping: next }).then(
      (looks) => setStage((now) => (now.at === 'map' ? { ...now, looks } : now)),
      (error: Error) => setTrouble(error.message),
    );
  };
  const read = (files: readonly File[], looks: readonly LookedAt[]): void =>
    void attempt('Reading', async (signal) => {
      const summary = await client!.ask(
        { ask: 'read', title, files, mapping },
        { signal, told: setProgress },
      );
      await callApi('/api/fleets/mapping', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          headings: headingsOf(looks),
          mapping: { chosen: mapping.chosen, units: mapping.units, roles: mapping.roles },
        }),
      });
      setStage({ at: 'read', files, summary, origin: files.map(({ name }) => name).join(', ') });
    });
  const keep = (origin: string): void =>
    void attempt('Keeping the machines', async (signal) => {
      const id = again?.id ?? crypto.randomUUID();
      await client!.ask(
        { ask: 'send', id, title: title.trim() || 'Estate', origin },
        { signal, told: setProgress },
      );
      router.push(`/fleets/${id}`);
      // Its room begins anew, with the machines of now.
      if (again) router.refresh();
    });
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
            <ChooseFiles disabled={!client || busy !== null} onFiles={look} />
            {!again && <Button onClick={() => setTyped(true)}>Type totals or rows instead</Button>}
          </div>
        )}
        {stage.at === 'choose' && typed && (
          <QuickEstate
            onFile={() => setTyped(false)}
            onMachines={(name, machines) =>
              void attempt('Making the machines', async (signal) => {
                setTitle(name);
                const summary = await client!.ask({ ask: 'typed', machines }, { signal });
                setStage({ at: 'read', files: [], summary, origin: 'typed by hand' });
              })
            }
          />
        )}
        {stage.at === 'map' && (
          <>
            {!again && <TitleField title={title} onTitle={setTitle} />}
            <TablesMap looks={stage.looks} mapping={mapping} onMapping={map} />
            <div className="sticky bottom-0 mt-4 flex gap-2 border-t border-ink bg-surface py-3">
              <Button
                tone="strong"
                disabled={busy !== null || !stage.looks.some(({ role }) => role === 'machines')}
                onClick={() => read(stage.files, stage.looks)}
              >
                Read the machines
              </Button>
              <Button onClick={() => setStage({ at: 'choose' })}>Another file</Button>
            </div>
          </>
        )}
        {stage.at === 'read' && (
          <>
            {!again && <TitleField title={title} onTitle={setTitle} />}
            <ReadResult summary={stage.summary} onRejected={() => client!.ask({ ask: 'rejected' })} />
            <div className="mt-4 flex gap-2 border-t border-ink py-3">
              <Button
                tone="strong"
                disabled={busy !== null || stage.summary.machines === 0}
                onClick={() => keep(stage.origin)}
              >
                {again ? 'Replace the machines' : 'Keep the fleet'}
              </Button>
              <Button
                onClick={() => (stage.files.length > 0 ? look(stage.files) : setStage({ at: 'choose' }))}
              >
                Back
              </Button>
            </div>
          </>
        )}
        {busy && (
          <div className="mt-3">
            <Working progress={progress} words={busy} onStop={() => stopper.current?.abort()} />
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

const headingsOf = (looks: readonly LookedAt[]): string =>
  looks.map(({ columns }) => columns.map(({ heading }) => heading).join('\t')).join('\n') || '-';
