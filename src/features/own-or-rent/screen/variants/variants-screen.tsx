/** Variants side by side: what each spends on what, against owning; chosen ones are changed in the margin. */
'use client';
import { studyMonth } from '@/features/own-or-rent/calc';
import { useState } from 'react';
import { studyKindWords, studySentence, variantsTable } from '@/features/own-or-rent/words';
import { writeShare } from '@/platform/words';
import { type PlainVariantOutcome, type StudyAnswer, usual, type Variant } from '@/features/own-or-rent/calc';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Margin } from '@/platform/ui/margin';
import { Menu } from '@/platform/ui/menu';
import { saveText } from '@/platform/screen/save-text';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { freeId } from '../numbers/things';
import { useStudy, useWholeAnswer } from '../study-context';
import { StudyTally } from '../study-tally';
import { StudyTroubles } from '../study-troubles';
import { VariantMargin } from './variant-margin';

export function VariantsScreen() {
  const { study, change } = useStudy();
  const answer = useWholeAnswer();
  const [chosen, setChosen] = useState(study.against[1]);
  const [marginOpen, setMarginOpen] = useState(true);
  const told = answer.answer;
  const at = study.variants.some(({ id }) => id === chosen) ? chosen : study.variants[0]!.id;
  const add = (part: Pick<Variant, 'name' | 'target' | 'buying'>): void => {
    const variant: Variant = {
      id: freeId(
        'variant',
        study.variants.map(({ id }) => id),
      ),
      stays: [],
      ...usual('variants'),
      ...part,
    };
    change({ ...study, variants: [...study.variants, variant] });
    setChosen(variant.id);
  };
  return (
    <>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="min-w-0 flex-1 overflow-auto bg-surface pb-8">
          <div className="flex flex-wrap items-center gap-2 border-b border-line px-[18px] py-2">
            <h2 className="mr-auto text-base font-semibold">Which way costs what?</h2>
            {told && told.variants.length > 0 && (
              <Button
                tone="bare"
                onClick={() =>
                  saveText(flatTableCsv(variantsTable(told)), `${study.title}, variants.csv`, 'text/csv')
                }
              >
                CSV
              </Button>
            )}
            {study.variants.length < 12 && (
              <Menu
                label="Add a variant"
                items={[
                  ...study.targets.map(({ id, name }) => ({
                    key: id,
                    label: `Rent: ${name}`,
                    onSelect: () => add({ name, target: id, buying: 'due' }),
                  })),
                  {
                    label: 'Keep it, all new at once',
                    onSelect: () => add({ name: 'All new at once', target: null, buying: 'now' }),
                  },
                ]}
              />
            )}
          </div>
          <Trouble trouble={answer.trouble} again={answer.again} />
          {!told && !answer.trouble && <Working progress={answer.progress} />}
          {told?.more === null && (
            <div className="px-[18px] py-3">
              <p className="text-lg font-semibold">This cannot be calculated yet.</p>
              <StudyTroubles troubles={told.troubles} />
            </div>
          )}
          {told && told.variants.length > 0 && (
            <>
              <Table answer={told} chosen={at} onChoose={setChosen} />
              <p className="max-w-[820px] px-[18px] pt-3 text-sm text-soft">{studySentence(told, null)}</p>
            </>
          )}
        </div>
        <Margin label="About the variant" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          <VariantMargin key={at} id={at} />
        </Margin>
      </div>
      <StudyTally />
    </>
  );
}

const CELL =
  'border-b border-l border-b-line border-l-line px-3 py-1 text-right whitespace-nowrap tabular-nums';

interface TableProps {
  readonly answer: StudyAnswer;
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

function Table({ answer, chosen, onChoose }: TableProps) {
  const { variants, currency, start, own, rent } = answer;
  const kinds = [...new Set(variants.flatMap(({ table }) => table.kinds.map(({ kind }) => kind)))];
  const amount = (value: string) => <Amount value={value} currency={currency} />;
  const facts: readonly (readonly [string, (of: PlainVariantOutcome) => React.ReactNode])[] = [
    ['Worth today', ({ today }) => amount(today)],
    ['The move itself', ({ move }) => amount(move)],
    ['Paid on both sides', ({ beside }) => amount(beside)],
    ['Owed after the end', ({ owed }) => amount(owed)],
    [
      'House empty from',
      ({ emptyFrom }) => (emptyFrom === null ? 'something stays' : studyMonth(start, emptyFrom)),
    ],
  ];
  return (
    <div tabIndex={0} role="region" aria-label="Table of variants" className="overflow-x-auto">
      <table className="text-sm" style={{ minWidth: 170 + variants.length * 150 }}>
        <thead>
          <tr className="align-bottom">
            <th
              scope="col"
              className="border-b border-ink px-[18px] py-1.5 text-left text-xs font-normal text-soft"
            >
              {currency} in all
            </th>
            {variants.map(({ id, name }) => (
              <th
                key={id}
                scope="col"
                className={`border-b border-l border-b-ink border-l-line p-0 ${id === chosen ? 'bg-wash' : ''}`}
              >
                <button
                  type="button"
                  aria-pressed={id === chosen}
                  onClick={() => onChoose(id)}
                  className="block w-full min-w-[130px] px-3 py-1.5 text-right font-semibold hover:bg-wash"
                >
                  {name}
                  {(id === own || id === rent) && (
                    <span className="block text-xs font-normal text-soft">
                      {id === own ? 'owned side' : 'held against it'}
                    </span>
                  )}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {kinds.map((kind) => (
            <tr key={kind}>
              <th scope="row" className="border-b border-line px-[18px] py-1 text-left font-normal">
                {studyKindWords(kind)}
              </th>
              {variants.map(({ id, table }) => {
                const found = table.kinds.find((each) => each.kind === kind);
                return (
                  <td key={id} className={`${CELL} ${id === chosen ? 'bg-wash' : ''}`}>
                    {found ? amount(found.total) : <span className="text-soft">nothing</span>}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="font-semibold [&>*]:border-t [&>*]:border-t-ink">
            <th scope="row" className="border-b border-line px-[18px] py-1.5 text-left">
              In all
            </th>
            {variants.map(({ id, table }) => (
              <td key={id} className={`${CELL} ${id === chosen ? 'bg-wash' : ''}`}>
                <span className="double-line">{amount(table.total)}</span>
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row" className="border-b border-line px-[18px] py-1 text-left font-normal">
              More than the owned side
            </th>
            {variants.map(({ id, more, share }) => (
              <td
                key={id}
                className={`${CELL} ${id === chosen ? 'bg-wash' : ''} ${Number(more) > 0 ? 'text-ember-ink' : Number(more) < 0 ? 'text-tide' : ''}`}
              >
                {Number(more) === 0 ? 'the same' : <Amount value={more} currency={currency} signed />}
                {share !== null && id !== own && (
                  <span className="block text-xs">
                    {Number(share) > 0 ? '+' : ''}
                    {writeShare(share)}
                  </span>
                )}
              </td>
            ))}
          </tr>
          {facts.map(([label, of]) => (
            <tr key={label} className="text-soft">
              <th scope="row" className="border-b border-line px-[18px] py-1 text-left font-normal">
                {label}
              </th>
              {variants.map((variant) => (
                <td key={variant.id} className={`${CELL} ${variant.id === chosen ? 'bg-wash' : ''}`}>
                  {of(variant)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
