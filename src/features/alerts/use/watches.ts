/** Watches over bills: kept, shown as they stand, and said once for each step and period. Need P4; openings 33, 36. */
import { dueAlerts, isSameThreshold, type Watch } from '@/features/alerts/calc';
import { alertSentence } from '@/features/alerts/words';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { AlertKnown, Context, NewMessage, StoredWatch, WatchAlert } from '@/stores/ports';
import { type Standing, standingsOf } from './watch-standing';
import { readWatch } from './watch-schema';

const MOST_WATCHES = 200;
const MOST_ALERTS = 500;

export interface ShownWatch extends StoredWatch, Standing {}

export async function listWatches(context: Context): Promise<ShownWatch[]> {
  allow(context.actor, 'listWatches');
  const stored = await context.watches.list(context.actor.workspace);
  const standings = await standingsOf(
    context,
    stored.map(({ watch }) => watch),
  );
  return stored.map((each, at) => ({ ...each, ...standings[at]! }));
}

/** A new one where `baseRevision` is 0. What is due is said at once. */
export async function saveWatch(
  context: Context,
  id: string,
  sent: { readonly baseRevision: number; readonly watch: unknown },
): Promise<StoredWatch> {
  allow(context.actor, 'saveWatch');
  const { workspace } = context.actor;
  const watch = readWatch(sent.watch, context.mayBeCalled);
  const before = await context.watches.find(workspace, id);
  if (sent.baseRevision > 0 && !before) throw notFound('watch');
  if (!before && (await context.watches.list(workspace)).length >= MOST_WATCHES)
    throw invalid(`A team has at most ${MOST_WATCHES} watches.`);
  const saved = await context.watches.save(workspace, id, {
    ...{ baseRevision: sent.baseRevision, watch, at: context.now() },
    anew: before !== null && !isSameThreshold(before.watch, watch),
  });
  if (saved === 'stale')
    throw new AppError('conflict', 'Somebody else changed this watch meanwhile. Load it again.');
  await evaluateAll(context, [{ id, revision: saved, watch, changedAt: context.now().toISOString() }]);
  return (await context.watches.find(workspace, id))!;
}

export async function deleteWatch(context: Context, id: string): Promise<void> {
  allow(context.actor, 'deleteWatch');
  if (!(await context.watches.remove(context.actor.workspace, id, context.now()))) throw notFound('watch');
}

export async function restoreWatch(context: Context, id: string): Promise<void> {
  allow(context.actor, 'restoreWatch');
  if (!(await context.watches.restore(context.actor.workspace, id))) throw notFound('watch');
}

/** What was said, with what was known then and how it left; the newest first; with `bill`, of that one. */
export function listAlerts(context: Context, bill?: string): Promise<WatchAlert[]> {
  allow(context.actor, 'listAlerts');
  return context.watches.alerts(context.actor.workspace, MOST_ALERTS, bill);
}

export function countUnseenAlerts(context: Context): Promise<number> {
  allow(context.actor, 'countUnseenAlerts');
  return context.watches.unseen(context.actor.workspace);
}

export async function seeAlerts(context: Context): Promise<void> {
  allow(context.actor, 'seeAlerts');
  await context.watches.seeAll(context.actor.workspace, context.now());
}

/** Says what is due of all watches of a workspace; how much was said. On every import, and every day. */
export async function evaluateWatches(context: Context): Promise<number> {
  allow(context.actor, 'evaluateWatches');
  return evaluateAll(context, await context.watches.list(context.actor.workspace));
}

async function evaluateAll(context: Context, stored: readonly StoredWatch[]): Promise<number> {
  const standings = await standingsOf(
    context,
    stored.map(({ watch }) => watch),
  );
  let said = 0;
  for (const [at, { id, watch }] of stored.entries()) {
    const { bill, watched } = standings[at]!;
    if (!bill || bill.closing || watched.state !== 'watching') continue;
    const { standing } = watched;
    const before = await context.watches.said(id, bill);
    for (const { kind, step, day, with: steps } of dueAlerts(standing, before, watch.ahead)) {
      const known: AlertKnown = {
        ...{ watch, bill: bill.id, from: bill.from, to: bill.to, kind, step, day, standing },
        sentence: alertSentence(watch, { kind, step, day }, standing),
      };
      const alert = { id: context.newId(), watch: id, known, at: context.now(), with: steps };
      const messages = messagesOf(context, watch, known);
      if (await context.watches.say(context.actor.workspace, { ...alert, messages })) said += 1;
    }
  }
  return said;
}

function messagesOf({ newId }: Context, watch: Watch, known: AlertKnown): NewMessage[] {
  const { sentence, bill, from, to } = known;
  const period = `${watch.provider} ${watch.account}, ${from} to ${to}`;
  const text = `${sentence}\n\n${period}\nThe bill: /bills/${bill}\n`;
  return [
    ...watch.mail.map((address): NewMessage => ({
      ...{ id: newId(), channel: 'mail', address, subject: sentence.slice(0, 200), body: text },
    })),
    ...(watch.call === null
      ? []
      : [
          {
            ...{
              id: newId(),
              channel: 'call' as const,
              address: watch.call,
              subject: sentence.slice(0, 200),
            },
            body: callBody(known),
          },
        ]),
  ];
}

/** For programs: plain fields, amounts as text. */
function callBody({ watch, standing, ...known }: AlertKnown): string {
  const { unit, value, limit, share, newest } = standing;
  return JSON.stringify({
    ...{ event: 'watch', watch: watch.name, provider: watch.provider, account: watch.account },
    ...{ kind: known.kind, step: known.step, day: known.day, from: known.from, to: known.to },
    ...{ unit, value, limit, share, knownUntil: newest, sentence: known.sentence },
    bill: known.bill,
  });
}
