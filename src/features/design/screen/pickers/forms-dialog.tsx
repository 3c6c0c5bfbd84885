/** Questions first: each leaves fewer forms, and all are priced at the same capacity while one answers. */
'use client';
import { useMemo, useState } from 'react';
import type { Component, Design, Place } from '@/engine/design';
import type { FormWish } from '@/features/compare/calc/deployment-forms';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { Field } from '@/platform/ui/field';
import type { PricingClient } from '@/features/design/worker/client';
import type { PlainForm } from '@/features/design/worker/protocol';
import { useAsked } from '../use-asked';
import type { BookInfo } from '../book-list';
import { FIRST_WISHES, FormQuestions, isWhole, trimmed } from './form-questions';

interface FormsDialogProps {
  readonly open: boolean;
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly bookList: readonly BookInfo[];
  /** Where the lines around stand. */
  readonly place: Place | null;
  readonly onChoose: (component: Component) => void;
  readonly onClose: () => void;
}

export function FormsDialog(props: FormsDialogProps) {
  return (
    <Dialog
      open={props.open}
      title="Which form fits?"
      description="Forms of the same thing, priced alike; answers leave fewer of them."
      width={760}
      onClose={props.onClose}
    >
      {props.open && <Forms {...props} />}
    </Dialog>
  );
}

const NO_FORMS: readonly PlainForm[] = [];

function Forms({ client, design, bookList, place: around, onChoose }: FormsDialogProps) {
  const [wish, setWish] = useState<FormWish>(FIRST_WISHES.compute);
  const first = bookList[0];
  const [place, setPlace] = useState<Place | null>(
    around ?? (first?.regions[0] ? { book: first.key, region: first.regions[0].code } : null),
  );
  const whole = isWhole(wish);
  const question = useMemo(() => {
    if (!place || !whole) return null;
    const pinned = design.books.some((pin) => pin.book === place.book);
    const book = bookList.find((each) => each.key === place.book);
    const priced =
      pinned || !book
        ? design
        : { ...design, books: [...design.books, { book: book.key, revision: book.revision }] };
    return { ask: 'forms' as const, design: priced, place, wish: trimmed(wish) };
  }, [design, bookList, place, whole, wish]);
  const { last, trouble } = useAsked(client, question, 0);
  const rows = trouble ? NO_FORMS : last;
  return (
    <>
      <div className="grid grid-cols-4 gap-3 border-b border-line px-4 py-3 max-[700px]:grid-cols-2">
        <FormQuestions wish={wish} onWish={setWish} />
        <Field label="Where">
          {(field) => (
            <select
              {...field}
              value={place ? `${place.book}\n${place.region}` : ''}
              onChange={(event) => {
                const [book = '', region = ''] = event.target.value.split('\n');
                setPlace({ book, region });
              }}
            >
              {bookList.flatMap((book) =>
                book.regions.map((region) => (
                  <option key={`${book.key}/${region.code}`} value={`${book.key}\n${region.code}`}>
                    {book.title}, {region.name}
                  </option>
                )),
              )}
            </select>
          )}
        </Field>
      </div>
      <div className="min-h-[220px] overflow-y-auto px-4 pb-3">
        {!rows && <p className="py-3 text-sm text-soft">Pricing the forms …</p>}
        <ul aria-label="Forms">
          {rows?.map((row) => (
            <li
              key={`${row.label}/${row.edition}`}
              className={`grid grid-cols-[minmax(0,1fr)_110px_70px] items-center gap-3 border-b border-line py-1.5 ${row.component ? '' : 'text-soft'}`}
            >
              <div className="min-w-0">
                <span className="text-sm font-medium">
                  {[row.label, row.edition].filter(Boolean).join(', ')}
                  {row.component && (
                    <span className="font-normal text-soft">
                      {' '}
                      {row.component.count.likely === '1' ? '' : `${row.component.count.likely} of `}
                      {row.offer}
                    </span>
                  )}
                </span>
                <span className="block text-xs text-soft">{row.note}</span>
              </div>
              <span className="text-right text-sm">
                {row.monthly === null ? (
                  'does not fit'
                ) : (
                  <>
                    <Amount value={row.monthly} currency={design.currency} />
                    <span className="block text-xs text-soft">{design.currency} a month</span>
                  </>
                )}
              </span>
              {row.component ? (
                <Button
                  aria-label={`Take ${[row.label, row.edition].filter(Boolean).join(', ')}`}
                  onClick={() => onChoose(row.component!)}
                >
                  Take
                </Button>
              ) : (
                <span />
              )}
            </li>
          ))}
        </ul>
      </div>
    </>
  );
}
