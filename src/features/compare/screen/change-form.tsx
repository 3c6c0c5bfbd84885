/** A wide change, put together from what it reaches and what it does. */
'use client';
import { useState } from 'react';
import { parseDecimal } from '@/engine/base';
import type { Change, Design, Place, Scope } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { readScope } from '@/features/design/format/scope-text';
import { type Term, TERMS } from '@/engine/terms';
import { Button } from '@/platform/ui/button';
import { Choice, Field } from '@/platform/ui/field';
import type { BookInfo } from '@/features/design/screen/book-list';

type What = Exclude<Change['change'], 'edit'> | 'allowances' | 'month';

const ACTS: readonly (readonly [What, string])[] = [
  ['move', 'goes to another place'],
  ['size', 'is the cheapest that fits'],
  ['pay', 'is paid another way'],
  ['licences', 'has its licences'],
  ['traffic', 'has its traffic times'],
  ['leave-out', 'is left out'],
  ['revision', 'takes prices of another revision'],
  ['allowances', 'counts allowances or not'],
  ['month', 'is counted by another month'],
];
const MONTHS = ['730', '720', '744', 'book'] as const;
/** Acts that reach the whole design or nothing. */
const WHOLE: readonly What[] = ['revision', 'allowances', 'month'];
const TIMES = /^\d{1,5}(\.\d{1,6})?$/;

interface ChangeFormProps {
  readonly design: Design;
  readonly bookList: readonly BookInfo[];
  readonly onAdd: (change: Change) => void;
}

export function ChangeForm({ design, bookList, onAdd }: ChangeFormProps) {
  const [reach, setReach] = useState('all');
  const [act, setAct] = useState<What>('move');
  const [place, setPlace] = useState<string>(() => `${bookList[0]?.key ?? ''}\n`);
  const [term, setTerm] = useState<Term>('12-none');
  const [how, setHow] = useState<'included' | 'brought'>('brought');
  const [times, setTimes] = useState('2');
  const [pin, setPin] = useState('');
  const [month, setMonth] = useState<(typeof MONTHS)[number]>('744');
  const fault = act === 'traffic' && !isTimes(times) ? 'A number such as 2 or 0.5, at most 10000.' : null;
  const change = fault ? null : changeOf();

  function changeOf(): Change | null {
    const what: Scope = readScope(reach) ?? { of: 'all' };
    switch (act) {
      case 'move': {
        const { book, region } = placeOf(place);
        const info = bookList.find(({ key }) => key === book);
        if (!info) return null;
        const revision = design.books.find((each) => each.book === book)?.revision ?? info.revision;
        return { change: 'move', what, book, revision, region: region === '' ? null : region };
      }
      case 'pay':
        return { change: 'pay', what, term };
      case 'licences':
        return { change: 'licences', what, how };
      case 'traffic':
        return { change: 'traffic', what, times };
      case 'size':
      case 'leave-out':
        return { change: act, what };
      case 'revision': {
        const [book = '', number = ''] = pin.split('\n');
        return number === '' ? null : { change: 'revision', book, revision: Number(number) };
      }
      case 'allowances': {
        const value = !design.assumptions.countAllowances;
        return { change: 'edit', edit: { edit: 'set-assumption', field: 'countAllowances', value } };
      }
      case 'month':
        return { change: 'edit', edit: { edit: 'set-assumption', field: 'month', value: { hours: month } } };
    }
  }

  const counted = design.assumptions.countAllowances;
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label="What"
        value={WHOLE.includes(act) ? 'all' : reach}
        options={[
          ['all', 'Everything'],
          ...design.sections.map(({ id, name }) => [`section ${id}`, `Section “${name}”`] as const),
          ...design.sections.flatMap(({ components }) =>
            components.map(({ id, name }) => [`line ${id}`, name] as const),
          ),
        ]}
        onChange={setReach}
      />
      <Choice label="becomes" value={act} options={ACTS} onChange={setAct} />
      {act === 'move' && (
        <Field label="Where">
          {(field) => (
            <select {...field} value={place} onChange={(event) => setPlace(event.target.value)}>
              {bookList.map((book) => (
                <optgroup key={book.key} label={book.title}>
                  <option value={`${book.key}\n`}>{book.title}, the nearest region of each line</option>
                  {book.regions.map(({ code, name }) => (
                    <option key={code} value={`${book.key}\n${code}`}>
                      {book.title}, {name}
                    </option>
                  ))}
                </optgroup>
              ))}
            </select>
          )}
        </Field>
      )}
      {act === 'pay' && (
        <Choice
          label="How"
          value={term}
          options={TERMS.map((each) => [each, describeTerm(each)] as const)}
          onChange={setTerm}
        />
      )}
      {act === 'licences' && (
        <Choice
          label="How"
          value={how}
          options={[
            ['brought', 'brought along'],
            ['included', 'in the rate'],
          ]}
          onChange={setHow}
        />
      )}
      {act === 'traffic' && (
        <Field label="So many times" fault={fault}>
          {(field) => (
            <input
              {...field}
              value={times}
              inputMode="decimal"
              onChange={(event) => setTimes(event.target.value.trim())}
            />
          )}
        </Field>
      )}
      {act === 'revision' && (
        <Choice
          label="Which"
          value={pin}
          options={[['', 'choose …'] as const, ...otherRevisions(design, bookList)]}
          onChange={setPin}
        />
      )}
      {act === 'allowances' && (
        <p className="text-xs text-soft">
          The design {counted ? 'counts' : 'does not count'} allowances; here they are {counted ? 'not ' : ''}
          counted.
        </p>
      )}
      {act === 'month' && (
        <Choice
          label="Hours of a month"
          value={month}
          options={MONTHS.map((each) => [each, each === 'book' ? 'as each price book says' : each] as const)}
          onChange={setMonth}
        />
      )}
      <Button disabled={!change} onClick={() => change && onAdd(change)} className="self-start">
        Add the change
      </Button>
    </div>
  );
}

function isTimes(text: string): boolean {
  const read = parseDecimal(text);
  return TIMES.test(text) && read.ok && read.value.lte(10_000);
}

function placeOf(text: string): Place {
  const [book = '', region = ''] = text.split('\n');
  return { book, region };
}

function otherRevisions(design: Design, bookList: readonly BookInfo[]): (readonly [string, string])[] {
  return bookList.flatMap(({ key, title, revisions }) => {
    const pinned = design.books.find((each) => each.book === key)?.revision;
    if (pinned === undefined) return [];
    return revisions
      .filter(({ number }) => number !== pinned)
      .map(
        ({ number, effective }) =>
          [`${key}\n${number}`, `${title}, revision ${number} of ${effective}`] as const,
      );
  });
}
