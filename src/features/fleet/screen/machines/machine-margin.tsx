/** Everything about one machine: what it is and where that comes from, what is in its way, what it becomes and why. */
'use client';
import { decimal } from '@/engine/base';
import { describeTerm } from '@/engine/terms';
import { unfitText } from '@/features/fleet/words';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import { type Fact, type Machine, READINESS_RULES } from '@/features/fleet/calc';
import { Amount, NotPriced } from '@/platform/ui/amount';
import { TraceTree } from '@/platform/ui/trace-tree';
import type { MachineAnswer, MachineRow } from '@/features/fleet/worker/fleet-protocol';
import { useFleet } from '../room-context';
import { useFleetAsked } from '../use-fleet-asked';
import { Working } from '@/platform/screen/working';

export function MachineMargin({
  row,
  placement,
}: {
  readonly row: MachineRow;
  readonly placement: string | null;
}) {
  const { plan } = useFleet();
  const { machine, ready } = row;
  const one = useFleetAsked({ ask: 'machine', plan, machine: machine.id });
  return (
    <>
      <h2 className="pr-8 text-base font-semibold break-words">{machine.name}</h2>
      <p className="text-sm break-words text-soft">
        {[machine.host, machine.cluster, machine.environment, machine.system].filter(Boolean).join(' · ') ||
          'No more is known.'}
      </p>
      <Facts machine={machine} />
      {ready.length > 0 && (
        <section aria-label="In its way" className="mt-3">
          <h3 className="text-sm font-semibold">In its way</h3>
          <ul className="mt-1 space-y-1.5 text-sm">
            {READINESS_RULES.filter(({ code }) => ready.includes(code)).map(
              ({ code, title, means, weight }) => (
                <li key={code}>
                  <span className={weight === 'stops' ? 'font-medium text-ember-ink' : 'font-medium'}>
                    {title}
                    {weight === 'stops' && ' (cannot go as it is)'}
                  </span>
                  <span className="block text-xs text-soft">{means}</span>
                </li>
              ),
            )}
          </ul>
        </section>
      )}
      {one.isWaiting && !one.answer && <Working progress={one.progress} />}
      {placement && <Parts machine={machine.id} placement={placement} />}
      {one.answer?.placements.map((each) => (
        <Under key={each.placement} found={each} />
      ))}
      {one.trouble && <p className="mt-3 text-sm text-ember-ink">{one.trouble}</p>}
    </>
  );
}

function Facts({ machine }: { readonly machine: Machine }) {
  const share = (value: number): string => writeShare(decimal(value.toPrecision(3)));
  const plain = (value: number): string => writeNumber(String(Number(value.toFixed(2))));
  const rows: readonly (readonly [string, Fact | null, (value: number) => string])[] = [
    ['vCPU', machine.vcpu, plain],
    ['Memory, GiB', machine.memory, plain],
    ['Disk set aside, GiB', machine.storage, plain],
    ['Disk used, GiB', machine.stored, plain],
    ['CPU, peak', machine.peakCpu, share],
    ['CPU, 95th percentile', machine.usualCpu, share],
    ['Memory, peak', machine.peakMemory, share],
    ['Memory, 95th percentile', machine.usualMemory, share],
    ['Operations a second', machine.iops, plain],
    ['Sent a month, GB', machine.sent, plain],
  ];
  return (
    <dl className="mt-2 divide-y divide-line border-y border-line text-sm">
      {rows.map(([label, fact, write]) => (
        <div key={label} className="flex justify-between gap-3 py-0.5">
          <dt className="text-soft">{label}</dt>
          <dd className="tabular-nums">
            {fact ? (
              <>
                {write(fact.value)} <span className="text-xs text-soft">{fact.from}</span>
              </>
            ) : (
              <span className="text-soft">missing</span>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** How its amount adds up: its part of each line, and the line’s own calculation. */
function Parts({ machine, placement }: { readonly machine: string; readonly placement: string }) {
  const { plan } = useFleet();
  const asked = useFleetAsked({ ask: 'parts', plan, machine, placement });
  const name = plan.placements.find(({ id }) => id === placement)?.name;
  if (!asked.answer || asked.answer.parts.length === 0) return null;
  const { parts, printed, currency } = asked.answer;
  return (
    <section aria-label="How it adds up" className="mt-3">
      <h3 className="text-sm font-semibold">How it adds up under “{name}”</h3>
      <ul className="mt-1 divide-y divide-line border-y border-line text-sm">
        {parts.map(({ line, name: lineName, lineMonthly, share, monthly, trace }) => (
          <li key={line} className="py-1">
            <div className="flex justify-between gap-2">
              <span className="min-w-0 truncate">{lineName}</span>
              <span className="tabular-nums">{monthly ? writeMoney(monthly, currency) : <NotPriced />}</span>
            </div>
            <details className="text-xs text-soft">
              <summary className="cursor-pointer">
                {writeShare(decimal(share.toPrecision(3)))} of the line
                {lineMonthly && `, which is ${writeMoney(lineMonthly, currency)} ${currency}`}
              </summary>
              {trace && <TraceTree figure={trace} currency={currency} printed={lineMonthly} />}
            </details>
          </li>
        ))}
      </ul>
      {printed && (
        <p className="flex justify-between border-b-[3px] border-double border-ink py-1 text-sm font-semibold">
          <span>A month</span>
          <span>
            <Amount value={printed} currency={currency} />{' '}
            <span className="text-xs font-normal text-soft">{currency}</span>
          </span>
        </p>
      )}
    </section>
  );
}

function Under({ found }: { readonly found: MachineAnswer['placements'][number] }) {
  const { names } = useFleet();
  const { name, place, onHosts, need, rule, becomes, runnerUp, over, unfit, terms, currency } = found;
  const percent = (value: string): string => writeShare(decimal(value));
  return (
    <section aria-label={`Under ${name}`} className="mt-3 border-t border-line pt-2">
      <h3 className="text-sm font-semibold">{name}</h3>
      {place && (
        <p className="text-xs text-soft">
          at {names.book(place.book)} {names.region(place.book, place.region)}
        </p>
      )}
      <p className="text-sm">
        {rule}: {need} →{' '}
        {onHosts ? (
          'on a host with others'
        ) : becomes ? (
          <b className="font-semibold">{becomes}</b>
        ) : (
          <span className="text-ember-ink">{unfitText(unfit ?? 'no-size')}</span>
        )}
      </p>
      {over && (
        <p className="text-xs text-soft">
          Larger than needed by {percent(over.vcpu)} vCPU and {percent(over.memory)} memory.
          {runnerUp && ` Next: ${runnerUp.name}, ${writeMoney(runnerUp.monthly, currency)}.`}
        </p>
      )}
      {becomes && (
        <table className="mt-1 w-full text-sm">
          <thead>
            <tr className="text-xs text-soft">
              <th scope="col" className="text-left font-normal">
                The server alone, {currency}
              </th>
              <th scope="col" className="text-right font-normal">
                by the rule
              </th>
              <th scope="col" className="text-right font-normal">
                installed
              </th>
            </tr>
          </thead>
          <tbody>
            {terms.map(({ term, byRule, installed }) => (
              <tr key={term} className="border-t border-line">
                <th scope="row" className="py-0.5 text-left font-normal text-soft">
                  {describeTerm(term as Parameters<typeof describeTerm>[0])}
                </th>
                <td className="text-right tabular-nums">
                  {byRule ? writeMoney(byRule, currency) : 'not sold'}
                </td>
                <td className="text-right tabular-nums">
                  {installed ? writeMoney(installed, currency) : 'not sold'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
