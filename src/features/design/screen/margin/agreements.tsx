/** What was negotiated for this design: what it covers, the discount, the margin, its dates; and what the team keeps. */
'use client';
import { useState } from 'react';
import type { Design, Edit } from '@/engine/design';
import { agreementWords } from '@/features/report/calc';
import type { Agreement } from '@/engine/terms';
import type { LibraryItem } from '@/features/design/use/library-ports';
import { Button } from '@/platform/ui/button';
import { tell } from '@/platform/ui/toast';
import { callApi, postJson } from '@/platform/screen/call-api';
import type { BookInfo } from '../book-list';
import { AgreementForm } from './agreement-form';

interface AgreementsProps {
  readonly design: Design;
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => void;
}

const said = (error: unknown): void => tell(error instanceof Error ? error.message : 'Try again.');

export function Agreements({ design, bookList, apply }: AgreementsProps) {
  const all = design.agreements ?? [];
  const [changed, setChanged] = useState<string | null>(null);
  const set = (agreements: readonly Agreement[]): void => apply([{ edit: 'set-agreements', agreements }]);
  const keep = (agreement: Agreement): void => {
    postJson('/api/library', { what: 'agreement', name: agreement.name, body: agreement }).then(
      () => tell(`“${agreement.name}” is kept for the workspace.`),
      said,
    );
  };
  const takeOver = async (): Promise<void> => {
    const kept = await callApi<readonly LibraryItem[]>('/api/library?what=agreement');
    const known = new Set(all.map((each) => each.name));
    const fresh = kept.filter((each) => !known.has(each.name)).map((each) => each.body as Agreement);
    if (fresh.length === 0) return tell('The workspace keeps no other agreements.');
    set([...all, ...fresh.map((each) => ({ ...each, id: crypto.randomUUID() }))]);
  };
  return (
    <div>
      {all.length === 0 && (
        <p className="text-xs text-soft">None: list prices are paid, and nothing is sold on.</p>
      )}
      <ul>
        {all.map((agreement) => (
          <li key={agreement.id} className="border-b border-line py-1 text-sm">
            <span className="block font-medium break-words">{agreement.name}</span>
            <span className="block text-xs text-soft">{agreementWords(agreement)}</span>
            {changed === agreement.id && (
              <AgreementForm
                {...{ design, bookList, agreement }}
                onDone={(next) => {
                  set(all.map((each) => (each.id === next.id ? next : each)));
                  setChanged(null);
                }}
                onLeave={() => setChanged(null)}
              />
            )}
            <Button
              tone="bare"
              aria-label={`Change “${agreement.name}”`}
              aria-expanded={changed === agreement.id}
              onClick={() => setChanged(changed === agreement.id ? null : agreement.id)}
            >
              Change
            </Button>
            <Button
              tone="bare"
              aria-label={`Keep “${agreement.name}” for the workspace`}
              onClick={() => keep(agreement)}
            >
              Keep for the workspace
            </Button>
            <Button
              tone="bare"
              aria-label={`Remove “${agreement.name}”`}
              onClick={() => set(all.filter((each) => each !== agreement))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <details className="mt-2">
        <summary className="cursor-pointer text-xs text-brand">Add an agreement</summary>
        <AgreementForm
          {...{ design, bookList }}
          agreement={null}
          onDone={(agreement) => set([...all, agreement])}
        />
      </details>
      <Button tone="bare" className="mt-1 -ml-2.5" onClick={() => void takeOver().catch(said)}>
        Take over the workspace’s
      </Button>
    </div>
  );
}
