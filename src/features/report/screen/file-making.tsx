/** A report on its way to a file: asked for, followed, called off; saved by the browser when it is there. */
'use client';
import { useEffect, useRef, useState } from 'react';
import type { ReportForm } from '@/features/report/calc';
import type { TableForm } from '@/platform/use/job-ports';
import { callApi } from '@/platform/screen/call-api';
import { saveFile } from '@/platform/screen/save-file';
import { Button } from '@/platform/ui/button';

/** As a job is told to whoever asked for it. */
interface Job {
  readonly id: string;
  readonly state: 'waiting' | 'running' | 'done' | 'refused' | 'cancelled';
  readonly done: number;
  readonly steps: number;
  readonly words: string;
  readonly refusal: { readonly message: string } | null;
}

/** Forms of reports and of comparisons. */
export type FileForm = ReportForm | TableForm;

interface Making {
  readonly form: FileForm;
  readonly job: Job | null;
  readonly fault: string | null;
}

export interface FileMaking {
  readonly making: Making | null;
  /** `query`: what else the report is asked for with. */
  begin(form: FileForm, query?: string): void;
  cancel(): void;
  dismiss(): void;
}

const LOOK = 500;
const CALLED_OFF = 'Writing this file was called off. Export it again to have it.';
const SHORT: Readonly<Record<FileForm, string>> = {
  xlsx: 'XLSX',
  csv: 'CSV',
  pdf: 'PDF',
  md: 'Markdown',
  json: 'JSON',
};

/** `ask`: the report's address; `jobs`: where its jobs are followed. One file at a time; the newest asked for wins. */
export function useFileMaking(ask: string, jobs: string): FileMaking {
  const [making, setMaking] = useState<Making | null>(null);
  const turn = useRef<AbortController | null>(null);
  useEffect(() => () => turn.current?.abort(), []);

  const follow = async (form: FileForm, query: string, signal: AbortSignal): Promise<void> => {
    let job = await callApi<Job>(`${ask}?form=${form}${query ? `&${query}` : ''}`, {
      method: 'POST',
      signal,
    });
    while (job.state === 'waiting' || job.state === 'running') {
      if (signal.aborted) return;
      setMaking({ form, job, fault: null });
      await new Promise((resolve) => setTimeout(resolve, LOOK));
      job = await callApi<Job>(`${jobs}/${job.id}`, { signal });
    }
    if (signal.aborted) return;
    if (job.state === 'done') {
      setMaking(null);
      return saveFile(`${jobs}/${job.id}/file`);
    }
    setMaking({ form, job, fault: job.refusal?.message ?? CALLED_OFF });
  };

  const begin = (form: FileForm, query = ''): void => {
    turn.current?.abort();
    const own = new AbortController();
    turn.current = own;
    setMaking({ form, job: null, fault: null });
    follow(form, query, own.signal).catch((error: unknown) => {
      if (own.signal.aborted) return;
      setMaking({ form, job: null, fault: error instanceof Error ? error.message : 'Try again.' });
    });
  };

  const cancel = (): void => {
    turn.current?.abort();
    const id = making?.job?.id;
    setMaking(null);
    // One that has ended meanwhile is no loss.
    if (id) callApi(`${jobs}/${id}`, { method: 'DELETE' }).catch(() => undefined);
  };

  return { making, begin, cancel, dismiss: () => setMaking(null) };
}

export function FileMakingLine({ making, cancel, dismiss }: FileMaking) {
  if (!making) return null;
  const { form, job, fault } = making;
  const running = job?.state === 'running' && job.steps > 0;
  const step = running ? `${job.words}, step ${job.done + 1} of ${job.steps} …` : 'Waiting for its turn …';
  return (
    <div
      className="flex min-h-9 shrink-0 items-center gap-3 border-b border-line bg-raised px-[18px] py-1 text-sm print:hidden"
      role={fault ? 'alert' : 'status'}
    >
      <span className="font-medium">{SHORT[form]}</span>
      <span className={fault ? 'text-ember-ink' : 'text-soft'}>{fault ?? step}</span>
      {running && !fault && (
        <span aria-hidden="true" className="h-1 w-32 bg-wash">
          <span
            className="block h-1 bg-brand"
            style={{ width: `${Math.round(((job.done + 0.5) / job.steps) * 100)}%` }}
          />
        </span>
      )}
      <span className="ml-auto">
        <Button tone="bare" onClick={fault ? dismiss : cancel}>
          {fault ? 'Close' : 'Cancel'}
        </Button>
      </span>
    </div>
  );
}
