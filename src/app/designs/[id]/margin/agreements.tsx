/** What was negotiated for this design: what it covers, the discount, the margin, its dates; and what the team keeps. */
'use client';
import { useState } from 'react';
import { parseDecimal } from '@/core/base';
import { KINDS } from '@/core/books';
import type { Design, Edit } from '@/core/design';
import { agreementWords } from '@/core/report';
import type { Agreement } from '@/core/terms';
import type { KeptThing } from '@/operations';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { tell } from '@/ui/toast';
import { callApi, postJson } from '../../../lib/call-api';
import type { ShelfBook } from '../shelf';

interface AgreementsProps {
  readonly design: Design;
  readonly shelf: readonly ShelfBook[];
  readonly apply: (edits: readonly Edit[]) => void;
}

const said = (error: unknown): void => tell(error instanceof Error ? error.message : 'Try again.');

export function Agreements({ design, shelf, apply }: AgreementsProps) {
  const all = design.agreements ?? [];
  const set = (agreements: readonly Agreement[]): void => apply([{ edit: 'set-agreements', agreements }]);
  const keep = (agreement: Agreement): void => {
    postJson('/api/kept', { what: 'agreement', name: agreement.name, body: agreement }).then(
      () => tell(`“${agreement.name}” is kept for the workspace.`),
      said,
    );
  };
  const takeOver = async (): Promise<void> => {
    const kept = await callApi<readonly KeptThing[]>('/api/kept?what=agreement');
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
        <NewAgreement shelf={shelf} onAdd={(agreement) => set([...all, agreement])} />
      </details>
      <Button tone="bare" className="mt-1 -ml-2.5" onClick={() => void takeOver().catch(said)}>
        Take over the workspace’s
      </Button>
    </div>
  );
}

/** A share typed as "12" or "12 %": null where it is none. */
export function readPercent(text: string): string | null {
  const read = parseDecimal(text.replace(/\s*%$/, '').trim());
  return read.ok && !read.value.isNegative() ? read.value.dividedBy(100).toString() : null;
}

function NewAgreement({
  shelf,
  onAdd,
}: {
  readonly shelf: readonly ShelfBook[];
  readonly onAdd: (agreement: Agreement) => void;
}) {
  const [name, setName] = useState('');
  const [covers, setCovers] = useState('');
  const [discount, setDiscount] = useState('');
  const [margin, setMargin] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const add = (): void => {
    const [off, on] = [readPercent(discount || '0'), readPercent(margin || '0')];
    if (name.trim() === '') return setFault('An agreement needs a name.');
    if (off === null || Number(off) > 1) return setFault('A discount is a percentage from 0 to 100.');
    if (on === null) return setFault('A margin is a percentage, zero or more.');
    if (Number(off) === 0 && Number(on) === 0) return setFault('Enter a discount or a margin.');
    if (from && to && to < from) return setFault('It ends before it begins.');
    const [what, value = ''] = covers.split('\n');
    onAdd({
      id: crypto.randomUUID(),
      name: name.trim(),
      covers: {
        books: what === 'book' ? [value] : [],
        categories: what === 'category' ? [value] : [],
        kinds: what === 'kind' ? [value] : [],
        skus: [],
      },
      from: from || null,
      to: to || null,
      discount: Number(off) === 0 ? null : { by: 'share', share: off },
      margin: Number(on) === 0 ? null : on,
    });
    setName('');
    setDiscount('');
    setMargin('');
    setFault(null);
  };
  const categories = [...new Set(KINDS.map((kind) => kind.serviceCategory))].sort();
  const input = (label: string, value: string, set: (text: string) => void, type = 'text') => (
    <Field label={label}>
      {(field) => (
        <input
          {...field}
          type={type}
          value={value}
          maxLength={200}
          onChange={(event) => set(event.target.value)}
        />
      )}
    </Field>
  );
  return (
    <form
      className="mt-2 space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      {input('Name of the agreement', name, setName)}
      <Field label="Covers">
        {(field) => (
          <select {...field} value={covers} onChange={(event) => setCovers(event.target.value)}>
            <option value="">everything</option>
            {shelf.map((book) => (
              <option key={book.key} value={`book\n${book.key}`}>
                {book.title}
              </option>
            ))}
            {categories.map((category) => (
              <option key={category} value={`category\n${category}`}>
                category {category}
              </option>
            ))}
            {KINDS.map((kind) => (
              <option key={kind.kind} value={`kind\n${kind.kind}`}>
                kind {kind.label}
              </option>
            ))}
          </select>
        )}
      </Field>
      <div className="grid grid-cols-2 gap-1.5">
        {input('Discount, %', discount, setDiscount)}
        {input('Margin on top, %', margin, setMargin)}
        {input('From', from, setFrom, 'date')}
        {input('To', to, setTo, 'date')}
      </div>
      {fault && (
        <p role="alert" className="text-xs text-ember-ink">
          {fault}
        </p>
      )}
      <Button type="submit">Add the agreement</Button>
    </form>
  );
}
