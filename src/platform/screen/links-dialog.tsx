/** Read-only links of a design or a study: make one, copy its address, withdraw it. */
'use client';
import { useEffect, useState } from 'react';
import type { ReportOptions } from '@/features/report/calc';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { Choice, Field } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { callApi, postJson } from './call-api';
import { daysAfter } from './time';

export interface PlainLink {
  readonly id: string;
  /** Of a study there is one report. */
  readonly options: ReportOptions | null;
  readonly pinnedRevision: number | null;
  readonly expires: string | null;
  readonly state: 'open' | 'expired' | 'withdrawn';
  readonly createdAt: string;
}

/** Told once, to who made the link: nobody can read the address again. */
interface MadeLink {
  readonly id: string;
  readonly path: string;
}

interface LinksDialogProps {
  readonly id: string;
  readonly of: 'design' | 'study';
  readonly open: boolean;
  /** Of a design: there are agreements that a link may show. */
  readonly negotiated?: boolean;
  readonly today: string;
  readonly onClose: () => void;
}

export function LinksDialog(props: LinksDialogProps) {
  return (
    <Dialog
      open={props.open}
      title="Read-only links"
      description="Whoever has the address sees this report and nothing else of the workspace."
      width={600}
      onClose={props.onClose}
    >
      {props.open && <Links {...props} />}
    </Dialog>
  );
}

const REFUSED = 'The link could not be changed. Try again.';

function Links({ id, of, negotiated = false, today }: LinksDialogProps) {
  const [links, setLinks] = useState<readonly PlainLink[] | null>(null);
  const [made, setMade] = useState<MadeLink | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const address = of === 'design' ? `/api/designs/${id}/links` : `/api/studies/${id}/links`;
  const attempt = async (work: () => Promise<readonly PlainLink[]>): Promise<void> => {
    setFault(null);
    await work().then(setLinks, (error: unknown) =>
      setFault(error instanceof Error ? error.message : REFUSED),
    );
  };
  useEffect(() => {
    let current = true;
    callApi<readonly PlainLink[]>(address).then(
      (found) => current && setLinks(found),
      (error: unknown) => current && setFault(error instanceof Error ? error.message : REFUSED),
    );
    return () => {
      current = false;
    };
  }, [address]);
  return (
    <div className="min-h-0 overflow-y-auto px-4 py-3">
      <NewLink
        of={of}
        negotiated={negotiated}
        today={today}
        onMake={(wanted) =>
          attempt(async () => {
            const answer = await postJson<{ made: MadeLink; links: readonly PlainLink[] }>(address, wanted);
            setMade(answer.made);
            return answer.links;
          })
        }
      />
      {made && <Made path={made.path} />}
      {fault && (
        <p role="alert" className="mt-2 text-sm text-ember-ink">
          {fault}
        </p>
      )}
      {links === null && !fault && <p className="mt-3 text-sm text-soft">Reading the links …</p>}
      {links?.length === 0 && <p className="mt-3 text-sm text-soft">No links yet.</p>}
      <ul aria-label="Links" className="mt-3">
        {links?.map((link) => (
          <LinkRow
            key={link.id}
            link={link}
            of={of}
            isNew={link.id === made?.id}
            onWithdraw={() =>
              attempt(async () => {
                const left = await callApi<readonly PlainLink[]>(`${address}/${link.id}`, {
                  method: 'DELETE',
                });
                if (link.id === made?.id) setMade(null);
                return left;
              })
            }
          />
        ))}
      </ul>
    </div>
  );
}

interface Wanted {
  readonly options?: ReportOptions;
  readonly pinned: boolean;
  readonly expires: string | null;
}

interface NewLinkProps {
  readonly of: 'design' | 'study';
  readonly negotiated: boolean;
  readonly today: string;
  readonly onMake: (wanted: Wanted) => Promise<void>;
}

function NewLink({ of, negotiated, today, onMake }: NewLinkProps) {
  const [variant, setVariant] = useState<ReportOptions['variant']>('full');
  const [pinned, setPinned] = useState(true);
  const [expires, setExpires] = useState(daysAfter(today));
  const [withAgreements, setWithAgreements] = useState(false);
  const quotation = variant === 'quotation';
  return (
    <div className="border-b border-line pb-3">
      <div className="grid gap-3 sm:grid-cols-3">
        {of === 'design' && (
          <Choice
            label="Shows"
            value={variant}
            options={[
              ['full', 'full report'],
              ['quotation', 'quotation'],
            ]}
            onChange={setVariant}
          />
        )}
        <Choice
          label="Which revision"
          value={pinned ? 'pinned' : 'following'}
          options={[
            ['pinned', 'as it is now, for ever'],
            ['following', `follows the ${of}`],
          ]}
          onChange={(which) => setPinned(which === 'pinned')}
        />
        <Field label="Opens up to and on" hint={expires ? undefined : 'until it is withdrawn'}>
          {(field) => (
            <input
              {...field}
              type="date"
              min={today}
              value={expires}
              onChange={(event) => setExpires(event.target.value)}
            />
          )}
        </Field>
      </div>
      <div className="mt-2 flex items-center justify-between">
        {negotiated && !quotation ? (
          <label className="flex items-center gap-2 text-sm">
            <input
              type="checkbox"
              checked={withAgreements}
              onChange={(event) => setWithAgreements(event.target.checked)}
              className="accent-brand"
            />
            show agreements and list prices
          </label>
        ) : (
          <span />
        )}
        <Button
          tone="strong"
          onClick={() =>
            void onMake({
              ...(of === 'design' && {
                options: {
                  variant,
                  validUntil: quotation && expires ? expires : null,
                  withAgreements: withAgreements && !quotation,
                },
              }),
              pinned,
              expires: expires || null,
            })
          }
        >
          Make a link
        </Button>
      </div>
    </div>
  );
}

function Made({ path }: { readonly path: string }) {
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(`${location.origin}${path}`);
    tell('The address was copied.');
  };
  return (
    <div role="status" className="border-b border-line bg-raised py-2 text-sm">
      <div className="flex items-center gap-2">
        <a
          href={path}
          target="_blank"
          rel="noreferrer"
          className="min-w-0 flex-1 truncate font-mono text-xs text-brand"
        >
          {path}
        </a>
        <Button tone="bare" onClick={() => void copy().catch(() => tell('Copying was not allowed here.'))}>
          Copy
        </Button>
      </div>
      <p className="text-xs text-soft">
        Copy it now: the address is shown this once. If it is lost, withdraw the link and make another.
      </p>
    </div>
  );
}

interface LinkRowProps {
  readonly link: PlainLink;
  readonly of: 'design' | 'study';
  readonly isNew: boolean;
  readonly onWithdraw: () => void;
}

function LinkRow({ link, of, isNew, onWithdraw }: LinkRowProps) {
  const { options, pinnedRevision, expires, state } = link;
  const isOpen = state === 'open';
  const what = [
    options?.variant === 'quotation' ? 'Quotation' : 'Full report',
    pinnedRevision === null ? `follows the ${of}` : `revision ${pinnedRevision}`,
    options?.withAgreements && 'with agreements',
  ].filter(Boolean);
  const until = isOpen ? (expires ? `opens up to ${expires}` : 'opens until it is withdrawn') : state;
  return (
    <li className="flex items-center gap-2 border-b border-line py-1.5 text-sm">
      <div className="min-w-0 flex-1">
        <span className={isOpen ? undefined : 'text-soft line-through'}>{what.join(', ')}</span>
        <p className="text-xs text-soft">
          {isNew && 'the one above; '}made {link.createdAt.slice(0, 16).replace('T', ' ')} UTC, {until}
        </p>
      </div>
      {isOpen && (
        <Button tone="bare" onClick={onWithdraw}>
          Withdraw
        </Button>
      )}
    </li>
  );
}
