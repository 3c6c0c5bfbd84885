/** A group under a placement: its kinds of cost, what is not in it, its hosts, and the design it becomes. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { cellNotes, hostsText, KIND_WORDS, type PlainCell, unfitText } from '@/features/fleet/words';
import { writeMoney, writeNumber } from '@/platform/words';
import { COST_KINDS, MOST_ONE_BY_ONE } from '@/features/fleet/calc';
import { writeDesign } from '@/features/design/format/design';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { tell } from '@/platform/ui/toast';
import type { HostsAnswer, MatrixAnswer } from '@/features/fleet/worker/fleet-protocol';
import { callApi } from '@/platform/screen/call-api';
import { useFleet } from '../room-context';

const number = (value: number): string => writeNumber(String(Number(value.toPrecision(6))));

export function CellMargin({ cell, answer }: { readonly cell: PlainCell; readonly answer: MatrixAnswer }) {
  const { plan, names, client } = useFleet();
  const router = useRouter();
  const [hosts, setHosts] = useState<HostsAnswer | null>(null);
  const [busy, setBusy] = useState(false);
  const { currency } = answer;
  const group = answer.groups.find(({ id }) => id === cell.group);
  const placement = plan.placements.find(({ id }) => id === cell.placement);
  const money = (value: string): string => `${writeMoney(value, currency)} ${currency}`;
  const attempt = async (act: () => Promise<void>): Promise<void> => {
    setBusy(true);
    try {
      await act();
    } catch (error) {
      tell(error instanceof Error ? error.message : 'That did not work. Try again.');
    } finally {
      setBusy(false);
    }
  };
  const make = (oneByOne = false): Promise<void> =>
    attempt(async () => {
      const { group: of, placement: under } = cell;
      const made = await client!.ask({ ask: 'design', plan, group: of, placement: under, oneByOne });
      if (oneByOne && !made.isOneByOne)
        tell('Like machines are counted together: a price goes down with their number.');
      const { id } = await callApi<{ id: string }>('/api/designs/import', {
        method: 'POST',
        body: writeDesign(made.design),
      });
      router.push(`/designs/${id}`);
    });
  const show = (): Promise<void> =>
    attempt(async () =>
      setHosts(await client!.ask({ ask: 'hosts', plan, group: cell.group, placement: cell.placement })),
    );
  // Hosts and what does not fit are told above, with more.
  const notes = cellNotes({ ...cell, hosts: null, unfit: [] });
  return (
    <>
      <h2 className="pr-8 text-base font-semibold break-words">{group?.name}</h2>
      <p className="text-sm break-words text-soft">
        under “{placement?.name}”, at {names.book(cell.place.book)}{' '}
        {names.region(cell.place.book, cell.place.region)}
      </p>
      <dl className="mt-3 divide-y divide-line border-y border-line text-sm">
        {COST_KINDS.map((kind) => (
          <div key={kind} className="flex justify-between py-1">
            <dt className="text-soft">{KIND_WORDS[kind]}</dt>
            <dd className="tabular-nums">{writeMoney(cell.kinds[kind], currency)}</dd>
          </div>
        ))}
      </dl>
      <p className="flex justify-between border-b-[3px] border-double border-ink py-1 text-base font-semibold">
        <span>A month</span>
        <span data-testid="cell-total">
          <Amount value={cell.printed} currency={currency} />
        </span>
      </p>
      <dl className="mt-2 space-y-0.5 text-sm">
        <Row label="Machines" value={number(cell.machines)} />
        {cell.mean && <Row label="Each, on average" value={money(cell.mean)} />}
        {cell.installed && <Row label="As installed" value={money(cell.installed)} />}
        {cell.ifMeasured && (
          <Row label="If the unmeasured were used as the others" value={money(cell.ifMeasured)} />
        )}
        {cell.reason && <Row label={`Against “${plan.placements[0]?.name}”`} value={cell.reason} />}
      </dl>
      {cell.hosts && <p className="mt-3 text-sm">{hostsText(cell.hosts)}</p>}
      {cell.unfit.length > 0 && (
        <section aria-label="Does not fit" className="mt-3">
          <h3 className="text-sm font-semibold text-ember-ink">Does not fit</h3>
          <ul className="mt-1 space-y-1 text-sm">
            {cell.unfit.map(({ why, count, some }) => (
              <li key={why}>
                {number(count)}: {unfitText(why)}
                <span className="block truncate text-xs text-soft">
                  {some.join(', ')}
                  {count > some.length && ' …'}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {notes.length > 0 && (
        <ul className="mt-3 list-disc space-y-1 pl-4 text-xs text-soft">
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button tone="strong" disabled={busy || cell.machines === 0} onClick={() => void make()}>
          Make a design of it
        </Button>
        {placement?.form.by !== 'hosts' && cell.machines > 0 && cell.machines <= MOST_ONE_BY_ONE && (
          <Button disabled={busy} onClick={() => void make(true)}>
            One line a machine
          </Button>
        )}
        {cell.hosts && (
          <Button disabled={busy} onClick={() => void show()}>
            Which is on which host
          </Button>
        )}
      </div>
      <Dialog
        open={hosts !== null}
        title={hosts ? `${hosts.offer}: which machine is on which host` : ''}
        onClose={() => setHosts(null)}
        width={760}
      >
        {hosts && <Hosts hosts={hosts} />}
      </Dialog>
    </>
  );
}

function Row({ label, value }: { readonly label: string; readonly value: string }) {
  return (
    <div className="flex justify-between gap-3">
      <dt className="text-soft">{label}</dt>
      <dd className="text-right tabular-nums">{value}</dd>
    </div>
  );
}

const SHOWN = 100;

function Hosts({ hosts: { hosts, room, told } }: { readonly hosts: HostsAnswer }) {
  const percent = (value: number, of: number): string => `${Math.round((value / of) * 100)} %`;
  return (
    <div tabIndex={0} role="region" aria-label="Hosts" className="overflow-y-auto px-4 py-3">
      <p className="text-sm">
        {hostsText(told)} One has room for {number(room.vcpu)} vCPU and {number(room.memory)} GiB as promised.
      </p>
      <table className="mt-2 w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th scope="col" className="py-1 font-normal">
              Host
            </th>
            <th scope="col" className="py-1 pl-3 text-right font-normal">
              vCPU
            </th>
            <th scope="col" className="py-1 pr-4 pl-4 text-right font-normal">
              Memory
            </th>
            <th scope="col" className="py-1 font-normal">
              Machines
            </th>
          </tr>
        </thead>
        <tbody>
          {hosts.slice(0, SHOWN).map(({ vcpu, memory, names }, at) => (
            <tr key={at} className="border-b border-line align-top">
              <th scope="row" className="py-1 pr-3 text-left font-medium">
                {at + 1}
              </th>
              <td className="py-1 text-right whitespace-nowrap tabular-nums">{percent(vcpu, room.vcpu)}</td>
              <td className="py-1 pr-4 text-right whitespace-nowrap tabular-nums">
                {percent(memory, room.memory)}
              </td>
              <td className="py-1 text-soft">
                {names.length}: {names.slice(0, 40).join(', ')}
                {names.length > 40 && ' …'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {hosts.length > SHOWN && (
        <p className="mt-1 text-xs text-soft">
          The first {SHOWN} of {number(hosts.length)}.
        </p>
      )}
    </div>
  );
}
