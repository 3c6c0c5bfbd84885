/** What watches said, with what was known then, and how it left: by mail, by a signed call. */
'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { writeWatched } from '@/features/alerts/words';
import type { AlertMessage, KeptMail, WatchAlert } from '@/features/alerts/use/watch-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { BillsHead } from '@/features/bills/screen/bills-head';
import { callApi } from '@/platform/screen/call-api';
import { writeWhen } from '@/platform/screen/time';
import { toldIfFailed } from '@/platform/screen/told-acts';

interface ToldProps {
  readonly alerts: readonly WatchAlert[];
  /** Null: mail really leaves. */
  readonly mailbox: readonly KeptMail[] | null;
}

export function ToldScreen({ alerts, mailbox }: ToldProps) {
  const router = useRouter();
  const isNew = alerts.some(({ isSeen }) => !isSeen);
  // What is shown has been seen; the marks stay while one looks.
  useEffect(() => {
    if (isNew) void callApi('/api/watch-alerts', { method: 'POST' }).catch(() => undefined);
  }, [isNew]);
  return (
    <>
      <BillsHead>
        <Button onClick={() => router.refresh()}>Look again</Button>
      </BillsHead>
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="What watches said"
      >
        {alerts.length === 0 ? (
          <Empty title="Nothing was said yet">
            When a watch reaches a step, or sees one coming, it stands here with what was known then.
          </Empty>
        ) : (
          <ol className="max-w-[860px]">
            {alerts.map((alert) => (
              <Said key={alert.id} alert={alert} />
            ))}
          </ol>
        )}
        <Secret />
        {mailbox && <Mailbox mailbox={mailbox} />}
      </div>
    </>
  );
}

function Said({ alert: { known, at, isSeen, messages } }: { readonly alert: WatchAlert }) {
  const { standing } = known;
  return (
    <li className="border-b border-line py-2">
      <p className="text-base">
        <span className={isSeen ? '' : 'font-semibold'}>{known.sentence}</span>
        {!isSeen && <span className="ml-2 text-xs font-semibold text-brand">new</span>}
      </p>
      <p className="mt-0.5 text-xs text-soft">
        <span suppressHydrationWarning>{writeWhen(at)}</span>
        {` · ${known.watch.provider} ${known.watch.account}, ${known.from} to ${known.to} · then ${writeWatched(standing.value, standing.unit)} of ${writeWatched(standing.limit, standing.unit)} · `}
        <Link
          href={`/bills/${known.bill}`}
          prefetch={false}
          className="text-brand underline underline-offset-2"
        >
          the bill
        </Link>
      </p>
      {messages.length > 0 && (
        <ul className="mt-1 text-xs">
          {messages.map((each) => (
            <li key={each.id} className={each.state === 'given-up' ? 'text-ember-ink' : 'text-soft'}>
              <span className="break-all">{`${each.channel === 'mail' ? 'Mail to' : 'Call of'} ${each.address}`}</span>
              {`: ${messageWords(each)}`}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

function messageWords({ state, tries, answer }: AlertMessage): string {
  const tried = `${tries} ${tries === 1 ? 'try' : 'tries'}`;
  switch (state) {
    case 'sent':
      return `sent, ${answer ?? ''}`;
    case 'waiting':
      return tries === 0 ? 'on its way' : `tried again soon, after ${tried}: ${answer ?? ''}`;
    case 'given-up':
      return `given up after ${tried}: ${answer ?? ''}`;
  }
}

/** Told only to who asks for it, so that it is on no screen by accident. */
function Secret() {
  const [secret, setSecret] = useState<string | null>(null);
  return (
    <section aria-label="Signed calls" className="mt-6 max-w-[860px] text-sm">
      <h2 className="border-b border-ink pb-1 text-base font-semibold">Signed calls</h2>
      <p className="mt-1 text-soft">
        A call carries its time in <span className="font-mono text-xs">wick-tally-time</span> and, in{' '}
        <span className="font-mono text-xs">wick-tally-signature</span>, the HMAC-SHA256 of that time, a dot
        and the body, with this team’s secret.
      </p>
      {secret === null ? (
        <div className="mt-2">
          <Button
            onClick={() =>
              void toldIfFailed(async () =>
                setSecret((await callApi<{ secret: string }>('/api/watch-secret')).secret),
              )
            }
          >
            Show the secret
          </Button>
        </div>
      ) : (
        <p className="mt-2 font-mono text-xs break-all" data-testid="call-secret">
          {secret}
        </p>
      )}
    </section>
  );
}

function Mailbox({ mailbox }: { readonly mailbox: readonly KeptMail[] }) {
  return (
    <section aria-label="Mailbox" className="mt-6 max-w-[860px] text-sm">
      <h2 className="border-b border-ink pb-1 text-base font-semibold">Mailbox</h2>
      <p className="mt-1 text-soft">
        No mail leaves this installation: what would leave is kept here, the newest first.
      </p>
      {mailbox.length === 0 && <p className="mt-2">It is empty.</p>}
      <ul>
        {mailbox.map(({ id, to, subject, text, at }) => (
          <li key={id} className="border-b border-line py-1.5">
            <details>
              <summary className="cursor-pointer">
                <span className="text-soft" suppressHydrationWarning>{`${writeWhen(at)} · `}</span>
                <span className="break-all">{to}</span>
                {`: ${subject}`}
              </summary>
              <pre className="mt-1 text-xs whitespace-pre-wrap">{text}</pre>
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}
