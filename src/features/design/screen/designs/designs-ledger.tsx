/** The designs of the team: name, total with its wick, last change; new, open, rename, copy, delete with undo. */
'use client';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import type { DesignListing } from '@/stores/ports';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { tell } from '@/platform/ui/toast';
import { Wick } from '@/platform/ui/wick';
import { ApiError, callApi, postJson } from '@/platform/screen/call-api';
import { writeWhen } from '@/platform/screen/time';
import { type Findable, useFindable } from '@/platform/shell/find';
import { DesignsMargin } from './designs-margin';
import { FileFaults, type FileTrouble } from '@/platform/shell/file-faults';
import { PageHead } from '@/platform/shell/page-head';

export function DesignsLedger({ designs }: { readonly designs: readonly DesignListing[] }) {
  const router = useRouter();
  const [cursor, setCursor] = useState<LedgerCursor | null>(
    designs[0] ? { row: designs[0].id, column: 'title' } : null,
  );
  const [marginOpen, setMarginOpen] = useState(true);
  const [trouble, setTrouble] = useState<FileTrouble | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const focused = designs.find((design) => design.id === cursor?.row) ?? designs[0];
  useAgain(designs);
  const most = Math.max(0, ...designs.map((design) => Number(design.totals?.high ?? 0)));

  const attempt = async (act: () => Promise<void>): Promise<void> => {
    try {
      await act();
    } catch (error) {
      tell(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  const acts = useMemo(() => {
    const open = (id: string): void => router.push(`/designs/${id}`);
    const create = (): Promise<void> =>
      attempt(async () => {
        const { id } = await postJson<{ id: string }>('/api/designs', { title: 'New design' });
        open(id);
      });
    const copy = (id: string): Promise<void> =>
      attempt(async () => {
        const made = await callApi<{ id: string }>(`/api/designs/${id}/copy`, { method: 'POST' });
        router.refresh();
        setCursor({ row: made.id, column: 'title' });
        tell('Copied.');
      });
    const remove = (design: DesignListing): Promise<void> =>
      attempt(async () => {
        await callApi(`/api/designs/${design.id}`, { method: 'DELETE' });
        router.refresh();
        tell(`“${design.title}” was deleted.`, {
          label: 'Take it back',
          run: () =>
            void attempt(async () => {
              await callApi(`/api/designs/${design.id}/restore`, { method: 'POST' });
              router.refresh();
            }),
        });
      });
    const rename = (design: DesignListing, title: string): Promise<void> =>
      attempt(async () => {
        const edits = [{ edit: 'set-design', field: 'title', value: title }];
        await postJson(`/api/designs/${design.id}/edits`, {
          baseRevision: design.revision,
          batch: crypto.randomUUID(),
          edits,
        });
        router.refresh();
      });
    const keep = (design: DesignListing): Promise<void> =>
      attempt(async () => {
        await postJson('/api/library', { what: 'starter', design: design.id });
        tell(`“${design.title}” is a starter now.`);
      });
    return { open, create, copy, remove, rename, keep };
  }, [router]);

  const importFile = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    setTrouble(null);
    try {
      const { id } = await callApi<{ id: string }>('/api/designs/import', { method: 'POST', body: chosen });
      router.push(`/designs/${id}`);
    } catch (error) {
      if (error instanceof ApiError)
        setTrouble({ file: chosen.name, message: error.message, faults: error.faults, more: error.more });
    }
  };

  const findable = useMemo<readonly Findable[]>(
    () => [
      { key: 'new-design', group: 'Actions', label: 'New design', run: () => void acts.create() },
      {
        key: 'starters',
        group: 'Actions',
        label: 'Starters: begin with a typical design',
        run: () => router.push('/designs/starters'),
      },
      { key: 'open-file', group: 'Actions', label: 'Open a design file', run: () => file.current?.click() },
    ],
    [acts, router],
  );
  useFindable('designs', findable);

  const columns: readonly LedgerColumn<DesignListing>[] = [
    {
      key: 'title',
      head: 'Design',
      track: 'minmax(180px,2fr)',
      cell: (row) => <span className="truncate font-medium">{row.title}</span>,
      edit: (row) => ({ by: 'open', open: () => acts.open(row.id) }),
    },
    {
      key: 'components',
      head: 'Components',
      track: '96px',
      worth: 2,
      end: true,
      cell: (row) => row.components,
    },
    {
      key: 'changed',
      head: 'Last change',
      worth: 4,
      track: '140px',
      cell: (row) => <span suppressHydrationWarning>{writeWhen(row.updatedAt)}</span>,
    },
    {
      key: 'unpriced',
      head: 'Not priced',
      worth: 3,
      track: '90px',
      end: true,
      cell: (row) => <UnpricedCount count={row.totals?.unpriced ?? 0} />,
    },
    {
      key: 'amount',
      head: 'Likely / month',
      track: '140px',
      end: true,
      ruled: true,
      cell: (row) =>
        row.totals ? (
          <span>
            <Amount value={row.totals.monthly} currency={row.currency} />{' '}
            <span className="text-xs text-soft">{row.currency}</span>
          </span>
        ) : (
          <span className="text-soft">being worked out</span>
        ),
    },
    {
      key: 'wick',
      head: 'Lean · likely · heavy',
      worth: 1,
      track: '150px',
      cell: (row) =>
        row.totals && (
          <Wick
            values={{ low: row.totals.low, likely: row.totals.monthly, high: row.totals.high }}
            currency={row.currency}
            most={most}
          />
        ),
    },
  ];
  const onKey = (event: KeyboardEvent): boolean => {
    if (event.key !== 'Delete' || !focused) return false;
    void acts.remove(focused);
    return true;
  };

  return (
    <>
      <PageHead
        title="Designs"
        fileLabel="Design file"
        file={file}
        onFile={(chosen) => void importFile(chosen)}
      >
        <Button onClick={() => router.push('/designs/starters')}>Starters</Button>
        <Button onClick={() => file.current?.click()}>Open a file</Button>
        <Button tone="strong" onClick={() => void acts.create()}>
          New design
        </Button>
      </PageHead>
      <FileFaults trouble={trouble} onClose={() => setTrouble(null)} />
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {designs.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="No designs yet"
              acts={
                <>
                  <Button tone="strong" onClick={() => void acts.create()}>
                    New design
                  </Button>
                  <Button onClick={() => router.push('/designs/starters')}>Begin with a starter</Button>
                </>
              }
            >
              A design is a list of what you plan to run. It is priced while you write it, and every amount
              opens into how it adds up.
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Designs"
            columns={columns}
            rows={designs.map((design) => ({ key: design.id, level: 'flat', data: design }))}
            cursor={cursor}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
        )}
        {focused && (
          <DesignsMargin
            key={focused.id}
            design={focused}
            acts={acts}
            open={marginOpen}
            onToggle={() => setMarginOpen(!marginOpen)}
          />
        )}
      </div>
      <TallyLine aside="Each amount under its own design’s assumptions">
        <TallyFigure label="Designs">{designs.length}</TallyFigure>
        <TallyFigure label="Components">
          {designs.reduce((sum, design) => sum + design.components, 0)}
        </TallyFigure>
        <TallyFigure label="Not priced">
          <UnpricedCount count={designs.reduce((sum, design) => sum + (design.totals?.unpriced ?? 0), 0)} />
        </TallyFigure>
      </TallyLine>
    </>
  );
}

function UnpricedCount({ count }: { readonly count: number }) {
  return count > 0 ? (
    <span className="font-semibold text-ember-ink">{count}</span>
  ) : (
    <span className="text-soft">none</span>
  );
}

/** Milliseconds between two looks for totals that are being worked out, and how many looks are made. */
const AGAIN = 1500;
const MOST_LOOKS = 20;

function useAgain(designs: readonly DesignListing[]): void {
  const router = useRouter();
  const looks = useRef(0);
  useEffect(() => {
    if (designs.every((design) => design.totals)) looks.current = 0;
    else if (looks.current < MOST_LOOKS) {
      const timer = setTimeout(() => {
        looks.current += 1;
        router.refresh();
      }, AGAIN);
      return () => clearTimeout(timer);
    }
    return undefined;
  }, [designs, router]);
}
