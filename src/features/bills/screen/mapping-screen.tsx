/** Rules that put the bill to the design: what each takes, a draft for what none takes, tried before it is saved. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { writeMoney, writeNumber } from '@/platform/words';
import type { DraftRule, RuleTaking } from '@/features/bills/calc';
import type { BillView } from '@/features/bills/use/bill-view';
import type { RulesTried } from '@/features/bills/use/bill-rules';
import { Button } from '@/platform/ui/button';
import { ErrorNote } from '@/platform/ui/error-note';
import { tell } from '@/platform/ui/toast';
import { ApiError, callApi, postJson } from '@/platform/screen/call-api';
import { TextFile } from '@/platform/screen/text-file';
import { withDraft } from '@/features/bills/format/rules-text';

const NEW = `# The first rule that fits takes a row. What none takes stands in "Not in the design".
wick: bill-rules
version: 1
rules: []
`;

interface MappingProps {
  readonly view: BillView;
  readonly text: string;
}

export function MappingScreen({ view, text }: MappingProps) {
  const router = useRouter();
  const { bill, design, taking, unknown, rulesRevision } = view;
  const [open, setOpen] = useState(text || NEW);
  const [tried, setTried] = useState<RulesTried | null>(null);
  const [drafts, setDrafts] = useState<readonly DraftRule[] | null>(null);
  const [trouble, setTrouble] = useState<ApiError | null>(null);
  const attempt = async (act: () => Promise<void>): Promise<void> => {
    setTrouble(null);
    try {
      await act();
    } catch (error) {
      setTrouble(error instanceof ApiError ? error : new ApiError('That did not work. Try again.'));
    }
  };
  const base = `/api/bills/${bill.id}/rules`;
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
      tabIndex={0}
      role="region"
      aria-label="Mapping"
    >
      <p className="max-w-[760px] text-base text-soft">
        Rules say which rows of the bill belong to which line of the design: by tag, resource, SKU, service,
        region, account or text. They hold for every bill of this design.
      </p>
      {!design && (
        <p role="status" className="mt-3 text-base font-semibold">
          Choose above which design this bill is held against. Then rules can be drafted from what both say
          alike.
        </p>
      )}
      {design && (
        <>
          <h2 className="mt-4 text-base font-semibold">
            {tried ? 'What the rules would take, not saved yet' : 'What each rule takes of this bill'}
          </h2>
          <TakingTable taking={tried?.taking ?? taking} currency={bill.currency} />
          {(tried?.unknown ?? unknown).map(({ rule, component }) => (
            <p key={`${rule} ${component}`} className="mt-1 text-sm text-ember-ink">
              {`“${rule}” names “${component}”, which the design does not have once. It takes nothing.`}
            </p>
          ))}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button onClick={() => void attempt(async () => setDrafts(await callApi<DraftRule[]>(base)))}>
              Draft rules for what none takes
            </Button>
          </div>
          {drafts && (
            <Drafts
              drafts={drafts}
              view={view}
              onTake={(chosen) => {
                setOpen(withDraft(open, chosen));
                setDrafts(null);
              }}
            />
          )}
          {trouble && (
            <div className="mt-2 max-w-[760px]">
              <ErrorNote message={trouble.message} faults={trouble.faults} more={trouble.more} />
            </div>
          )}
          <section aria-label="The rules" className="mt-5 max-w-[900px] border-t border-ink pt-3">
            <TextFile
              key={open}
              kind="bill-rules"
              name={design.id}
              label="The rules, as YAML"
              initial={{ text: open, revision: rulesRevision }}
              onTry={(now) =>
                void attempt(async () => setTried(await postJson<RulesTried>(base, { text: now })))
              }
              onSaved={() => {
                tell('The rules were saved.');
                setTried(null);
                router.refresh();
              }}
            />
          </section>
        </>
      )}
    </div>
  );
}

interface TakingProps {
  readonly taking: readonly RuleTaking[];
  readonly currency: string;
}

function TakingTable({ taking, currency }: TakingProps) {
  return (
    <table className="mt-1 w-full max-w-[760px] text-sm">
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-1 pr-3 font-normal">Rule</th>
          <th className="py-1 pr-3 text-right font-normal">Rows</th>
          <th className="py-1 pr-3 text-right font-normal">Different things</th>
          <th className="py-1 text-right font-normal">{`Billed, ${currency}`}</th>
        </tr>
      </thead>
      <tbody>
        {taking.map(({ rule, rows, things, billed }) => (
          <tr
            key={rule}
            className={`tabular-nums ${rule === '' ? 'border-t border-ink' : 'border-b border-line'}`}
          >
            <td className={`py-1 pr-3 ${rule === '' ? '' : 'font-mono text-xs'}`}>
              {rule || 'taken by none'}
            </td>
            <td className="py-1 pr-3 text-right">{writeNumber(String(rows))}</td>
            <td className="py-1 pr-3 text-right">{writeNumber(String(things))}</td>
            <td className="py-1 text-right">{writeMoney(billed, currency)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const EVIDENCE = {
  tag: 'a tag names the line',
  resource: 'the resource is called so',
  sku: 'only this line has the SKU',
  name: 'its text names the line',
} as const;

interface DraftsProps {
  readonly drafts: readonly DraftRule[];
  readonly view: BillView;
  readonly onTake: (drafts: readonly DraftRule[]) => void;
}

function Drafts({ drafts, view, onTake }: DraftsProps) {
  const { currency } = view.bill;
  const names = new Map(
    view.laid.sections.flatMap(({ components }) => components.map(({ id, name }) => [id, name] as const)),
  );
  if (drafts.length === 0) {
    return (
      <p role="status" className="mt-3 text-sm">
        Nothing that is left says the same as a line of the design. Write a rule for it, or leave it outside.
      </p>
    );
  }
  return (
    <section aria-label="A draft" className="mt-3 max-w-[900px]">
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className="py-1 pr-3 font-normal">When</th>
            <th className="py-1 pr-3 font-normal">To</th>
            <th className="py-1 pr-3 font-normal">Because</th>
            <th className="py-1 pr-3 text-right font-normal">Rows</th>
            <th className="py-1 text-right font-normal">{`Billed, ${currency}`}</th>
          </tr>
        </thead>
        <tbody>
          {drafts.map(({ rule, evidence, rows, billed }) => (
            <tr key={rule.id} className="border-b border-line">
              <td className="py-1 pr-3 font-mono text-xs break-all">{JSON.stringify(rule.when)}</td>
              <td className="py-1 pr-3">
                {typeof rule.to === 'string' ? (names.get(rule.to) ?? rule.to) : ''}
              </td>
              <td className="py-1 pr-3 text-soft">{EVIDENCE[evidence]}</td>
              <td className="py-1 pr-3 text-right tabular-nums">{writeNumber(String(rows))}</td>
              <td className="py-1 text-right tabular-nums">{writeMoney(billed, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2">
        <Button tone="strong" onClick={() => onTake(drafts)}>
          {`Take ${drafts.length === 1 ? 'it' : `all ${drafts.length}`} into the rules`}
        </Button>
      </div>
    </section>
  );
}
