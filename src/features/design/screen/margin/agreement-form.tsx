/** An agreement as it is entered: what it covers, what was agreed, the margin on top, and when it holds. */
'use client';
import { useMemo, useState } from 'react';
import type { MeterDefinition } from '@/engine/books';
import type { Design } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { type Agreement, type Term, TERMS } from '@/engine/terms';
import { Button } from '@/platform/ui/button';
import { Choice, Field } from '@/platform/ui/field';
import type { BookInfo } from '../book-list';
import {
  AGREED,
  type AgreementDraft,
  coverChoices,
  coveredMeters,
  draftOf,
  EMPTY_DRAFT,
  priceUnits,
  readDraft,
} from './agreement-draft';

interface AgreementFormProps {
  readonly design: Design;
  readonly bookList: readonly BookInfo[];
  /** The one that is changed; null: a new one. */
  readonly agreement: Agreement | null;
  readonly onDone: (agreement: Agreement) => void;
  readonly onLeave?: () => void;
}

export function AgreementForm({ design, bookList, agreement, onDone, onLeave }: AgreementFormProps) {
  const [draft, setDraft] = useState<AgreementDraft>(agreement ? draftOf(agreement) : EMPTY_DRAFT);
  const [fault, setFault] = useState<string | null>(null);
  const set = (part: Partial<AgreementDraft>): void => setDraft((known) => ({ ...known, ...part }));
  const submit = (): void => {
    const read = readDraft(draft, agreement?.id ?? crypto.randomUUID());
    if (typeof read === 'string') return setFault(read);
    setFault(null);
    onDone(read);
    if (!agreement) setDraft(EMPTY_DRAFT);
  };
  const input = (label: string, key: 'name' | 'discount' | 'margin' | 'from' | 'to', type = 'text') => (
    <Field label={label}>
      {(field) => (
        <input
          {...field}
          type={type}
          value={draft[key]}
          maxLength={200}
          onChange={(event) => set({ [key]: event.target.value })}
        />
      )}
    </Field>
  );
  return (
    <form
      className="mt-2 space-y-2"
      aria-label={agreement ? `Change “${agreement.name}”` : 'A new agreement'}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {input('Name of the agreement', 'name')}
      <CoversSelect {...{ design, bookList, draft, set }} />
      <Choice
        label="What was agreed"
        value={draft.by}
        options={AGREED}
        onChange={(by) => set({ by: by as AgreementDraft['by'] })}
      />
      {(draft.by === 'price' || draft.by === 'tiers') && <PriceEntries {...{ design, draft, set }} />}
      <div className="grid grid-cols-2 gap-1.5">
        {draft.by === 'share' && input('Discount, %', 'discount')}
        {input('Margin on top, %', 'margin')}
      </div>
      <div className="grid grid-cols-2 gap-1.5">
        {input('From', 'from', 'date')}
        {input('To', 'to', 'date')}
      </div>
      {fault && (
        <p role="alert" className="text-xs text-ember-ink">
          {fault}
        </p>
      )}
      <div className="flex gap-2">
        <Button type="submit">{agreement ? 'Change the agreement' : 'Add the agreement'}</Button>
        {onLeave && (
          <Button tone="bare" onClick={onLeave}>
            Leave it as it is
          </Button>
        )}
      </div>
    </form>
  );
}

interface PartProps {
  readonly design: Design;
  readonly draft: AgreementDraft;
  readonly set: (part: Partial<AgreementDraft>) => void;
}

function CoversSelect({
  design,
  bookList,
  draft,
  set,
}: PartProps & { readonly bookList: readonly BookInfo[] }) {
  const choices = useMemo(() => {
    const listed = coverChoices(design, bookList);
    const same = (each: (typeof listed)[number]): boolean =>
      JSON.stringify(each.covers) === JSON.stringify(draft.covers);
    // What a file says may cover several things at once; it stays as it is until another is chosen.
    return listed.some(same) ? listed : [{ label: 'several, as entered', covers: draft.covers }, ...listed];
  }, [design, bookList, draft.covers]);
  const at = choices.findIndex((each) => JSON.stringify(each.covers) === JSON.stringify(draft.covers));
  return (
    <Choice
      label="Covers"
      value={String(at)}
      options={choices.map((each, index) => [String(index), each.label])}
      onChange={(index) => set({ covers: choices[Number(index)]!.covers })}
    />
  );
}

/** "Monthly fee (fee)": the code too, by which files and price books name it, where it says something else. */
function meterWords({ meter, label }: MeterDefinition): string {
  return label.toLowerCase() === meter ? label : `${label} (${meter})`;
}

/** The price itself: of which meter, per which unit, under which way of paying. */
function PriceEntries({ design, draft, set }: PartProps) {
  const meters = coveredMeters(design, draft.covers);
  const meter = meters.find((each) => each.meter === draft.meter);
  const units = draft.meter === '' ? [] : priceUnits(meter);
  const listed = meter || draft.meter === '' ? [] : [[draft.meter, draft.meter] as const];
  const isTiered = draft.by === 'tiers';
  const per = draft.unit || 'the unit of the price list';
  return (
    <>
      <Choice
        label="Meter"
        value={draft.meter}
        options={[
          ['', 'choose'],
          ...listed,
          ...meters.map((each) => [each.meter, meterWords(each)] as const),
        ]}
        onChange={(code) => set({ meter: code, unit: '' })}
      />
      <Field
        label={isTiered ? 'Prices in tiers' : 'Price'}
        hint={
          isTiered
            ? `In the price book’s currency, ends in ${per}: 0.09 up to 10240, 0.07 beyond`
            : `In the price book’s currency, for ${draft.unit ? `one ${draft.unit}` : per}`
        }
      >
        {(field) => (
          <input
            {...field}
            value={isTiered ? draft.tiers : draft.price}
            maxLength={2000}
            autoComplete="off"
            onChange={(event) => set({ [isTiered ? 'tiers' : 'price']: event.target.value })}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-1.5">
        <Choice
          label="Price per"
          value={draft.unit}
          options={[
            ['', 'as listed'],
            ...(draft.unit === '' || units.includes(draft.unit) ? [] : [[draft.unit, draft.unit] as const]),
            ...units.map((each) => [each, each] as const),
          ]}
          onChange={(unit) => set({ unit })}
        />
        <Choice
          label="In place of the price"
          value={draft.term}
          options={TERMS.map((term) => [term, describeTerm(term)])}
          onChange={(term) => set({ term: term as Term })}
        />
      </div>
    </>
  );
}
