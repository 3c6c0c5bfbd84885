/** Paying as a view of the design: one line under every way, what to commit to, what to prepay, cash against spread. */
'use client';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { allComponents, findComponent } from '@/engine/design';
import { DesignBody } from '@/features/design/screen/design-body';
import { Paying } from '@/features/design/screen/margin/paying';
import { useRoom } from '@/features/design/screen/room';
import { ByLine } from './by-line';
import { CashView } from './cash-view';
import { CreditView } from './credit-view';
import { HoursView } from './hours-view';
import { OneLine } from './one-line';

const VIEWS = {
  lines: 'By line',
  hours: 'For every hour',
  credit: 'Prepaid',
  line: 'One line, every way',
  cash: 'Cash against spread',
} as const;
type View = keyof typeof VIEWS;

export function PayingScreen() {
  const { id, state, client, apply } = useRoom();
  const { design } = state;
  const asked = useSearchParams();
  const view = (Object.keys(VIEWS) as View[]).find((each) => each === asked.get('view')) ?? 'lines';
  const line = findComponent(design, asked.get('line') ?? '') ?? allComponents(design)[0] ?? null;
  const address = (next: View): string =>
    `/designs/${id}/paying?${new URLSearchParams({ view: next, ...(line ? { line: line.id } : {}) })}`;
  return (
    <DesignBody
      margin={
        line ? (
          <section aria-label="One line">
            <h2 className="mb-1 text-lg font-semibold break-words">{line.name}</h2>
            <Paying
              {...{ client, design }}
              component={line}
              onChoose={(term) => apply([{ edit: 'set-component', id: line.id, field: 'term', value: term }])}
            />
          </section>
        ) : (
          <p className="text-sm text-soft">No line yet: ways of paying are of lines.</p>
        )
      }
    >
      <div className="flex min-w-0 flex-1 flex-col">
        <nav
          aria-label="What is paid"
          className="flex shrink-0 flex-wrap gap-x-4 gap-y-0.5 px-[18px] pt-2 pr-8 pb-1.5"
        >
          {(Object.keys(VIEWS) as View[]).map((each) => (
            <Link
              key={each}
              href={address(each)}
              prefetch={false}
              aria-current={each === view ? 'page' : undefined}
              className={`text-sm whitespace-nowrap underline-offset-4 ${each === view ? 'font-semibold underline decoration-2' : 'text-brand hover:underline'}`}
            >
              {VIEWS[each]}
            </Link>
          ))}
        </nav>
        {view === 'lines' && <ByLine />}
        {view === 'hours' && <HoursView />}
        {view === 'credit' && <CreditView />}
        {view === 'line' && line && <OneLine line={line} />}
        {view === 'cash' && <CashView />}
      </div>
    </DesignBody>
  );
}
