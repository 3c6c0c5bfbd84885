/** Three questions of an estate: where the money is, how much is installed for nothing, how sure all this is. */
'use client';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { filterText } from '@/features/fleet/words';
import { isOpenFilter } from '@/features/fleet/calc';
import { filterAddress, queryFrom } from '../machines/filter-address';
import { useFleet } from '../room-context';
import { useFleetAsked } from '../use-fleet-asked';
import { Working } from '@/platform/screen/working';
import { Installed } from './installed-picture';
import { Money } from './money-picture';
import { Sure } from './sure-picture';

export function PicturesScreen() {
  const { plan, id, opening, isOpen } = useFleet();
  const router = useRouter();
  const search = useSearchParams();
  const text = search.toString();
  const placements = plan.placements.map((each) => each.id);
  const query = queryFrom(new URLSearchParams(text), placements);
  const money = useFleetAsked(query.placement === null ? null : { ask: 'money', plan, query });
  const installed = useFleetAsked({ ask: 'installed', plan, query });
  const sure = useFleetAsked({ ask: 'sure', plan, query });
  const under = (placement: string): void => {
    const next = new URLSearchParams(text);
    next.set('under', placement);
    router.replace(`/fleets/${id}/pictures?${next}`, { scroll: false });
  };
  const group = (groupId: string): void => {
    const found = plan.groups.find((each) => each.id === groupId);
    const next = found ? filterAddress(found.filter) : new URLSearchParams();
    if (query.placement) next.set('under', query.placement);
    router.replace(`/fleets/${id}/pictures?${next}`, { scroll: false });
  };
  const chosen = plan.groups.find(
    ({ filter }) => filterAddress(filter).toString() === filterAddress(query.filter).toString(),
  );
  return (
    <div className="min-h-0 flex-1 overflow-y-auto bg-surface">
      <div className="flex flex-wrap items-center gap-3 border-b border-line px-[18px] py-2 text-sm text-soft">
        <label className="flex items-center gap-1.5">
          Machines of
          <select value={chosen?.id ?? ''} onChange={(event) => group(event.target.value)} className={SELECT}>
            <option value="">
              {isOpenFilter(query.filter) || chosen ? 'the whole fleet' : 'the filter of the address'}
            </option>
            {plan.groups.map(({ id: each, name }) => (
              <option key={each} value={each}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-1.5">
          Amounts under
          <select
            value={query.placement ?? ''}
            onChange={(event) => under(event.target.value)}
            className={SELECT}
          >
            {plan.placements.map(({ id: each, name }) => (
              <option key={each} value={each}>
                {name}
              </option>
            ))}
            {plan.placements.length === 0 && <option value="">no placement yet</option>}
          </select>
        </label>
        {!isOpenFilter(query.filter) && <span>Shown: {filterText(query.filter)}</span>}
        {(!isOpen || money.isWaiting) && (
          <Working progress={opening ?? money.progress} onStop={money.isWaiting ? money.stop : undefined} />
        )}
      </div>
      <div className="mx-auto max-w-[1240px] space-y-9 px-[18px] py-5">
        {query.placement === null ? (
          <section>
            <h2 className="text-base font-semibold">Where is the money?</h2>
            <p className="mt-1 text-sm text-soft">
              That takes a placement.{' '}
              <Link className="font-medium text-brand" href={`/fleets/${id}/placements`}>
                Make the first one
              </Link>
              .
            </p>
          </section>
        ) : (
          money.answer && (
            <Money picture={money.answer} address={(name) => addressOf(id, name, query.placement)} />
          )
        )}
        {money.trouble && (
          <p role="alert" className="text-sm text-ember-ink">
            {money.trouble}
          </p>
        )}
        {installed.answer && <Installed picture={installed.answer} />}
        {sure.answer && <Sure picture={sure.answer} />}
      </div>
    </div>
  );
}

const SELECT = 'h-7 max-w-[220px] rounded border border-edge bg-surface px-1.5 text-sm text-ink';

const addressOf = (id: string, name: string, placement: string | null): string =>
  `/fleets/${id}?${new URLSearchParams({ words: name, ...(placement ? { under: placement } : {}) })}`;
