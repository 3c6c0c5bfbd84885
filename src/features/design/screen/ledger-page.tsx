/** The ledger with what stands above it, and what an empty one says. */
'use client';
import { useState } from 'react';
import { allComponents, type Design } from '@/engine/design';
import {
  Ledger,
  type LedgerColumn,
  type LedgerCursor,
  type LedgerRow,
  type Reach,
} from '@/platform/ui/ledger';
import { EmptyDesign } from './empty-design';
import { LedgerBar } from './ledger-bar';
import { type Filtering, useColumnWidths } from './ledger-view';
import type { Row } from './rows';
import type { ledgerActs } from './use-ledger-acts';
import { toLedger } from './to-ledger';

interface LedgerPageProps {
  readonly design: Design;
  readonly columns: readonly LedgerColumn<Row>[];
  readonly rows: readonly LedgerRow<Row>[];
  readonly cursor: LedgerCursor | null;
  readonly moveCursor: (cursor: LedgerCursor, reach?: Reach) => void;
  readonly acts: ReturnType<typeof ledgerActs>;
  readonly selected: ReadonlySet<string>;
  readonly filtering: Filtering;
  readonly hidden: ReadonlySet<string>;
  readonly repeats: ReadonlyMap<string, string>;
  readonly onFilter: (filtering: Filtering) => void;
  readonly onColumn: (key: string) => void;
  readonly onKeys: () => void;
}

export function LedgerPage(props: LedgerPageProps) {
  const { design, columns, rows, cursor, moveCursor, acts, selected } = props;
  const { filtering, hidden, repeats, onFilter, onColumn, onKeys } = props;
  const [widths, setWidth] = useColumnWidths();
  const [noRoom, setNoRoom] = useState<readonly string[]>([]);
  const [first] = design.sections;
  return (
    <>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <LedgerBar
          {...{ design, filtering, hidden, noRoom, repeats, onFilter, onColumn }}
          shown={rows.filter((row) => row.data.kind === 'component').length}
          onJump={(section) => {
            moveCursor({ row: section, column: 'name' });
            toLedger();
          }}
        />
        <Ledger
          label={`Ledger of ${design.title}`}
          columns={columns}
          rows={rows}
          cursor={cursor}
          onCursor={moveCursor}
          selected={selected}
          widths={widths}
          onWidth={setWidth}
          onFit={setNoRoom}
          drag={{ canDrag: (row) => row.kind === 'component', onDrop: acts.onDrop }}
          onKey={acts.onKey}
          autoFocus
        />
      </div>
      {allComponents(design).length === 0 && first && (
        <EmptyDesign onFirst={() => acts.writeNext(first.id)} onKeys={onKeys} />
      )}
    </>
  );
}
