/** Messages of watches on their way: mail, and signed calls that are tried again a few times. */
import { randomBytes } from 'node:crypto';
import type { Actor } from '@/platform/use/actor';
import { AppError } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { Context, DueMessage, KeptMail, MessageOutcome } from '@/stores/ports';
import { mayCall, signature } from './watch-calls';
import { evaluateWatches } from './watches';

/** Minutes until the next try; after the last one it is given up. */
const WAITS = [1, 5, 15, 60, 240];
/** A message that somebody took and did not settle is free again after so many minutes. */
const LEASE = 2;
const AT_ONCE = 20;
const MINUTE = 60_000;

type Outside = Omit<Context, 'actor'>;

/** What is due, of all workspaces; how many were settled. May run in several processes at once. */
export async function sendMessages(context: Outside): Promise<number> {
  const now = context.now();
  const again = new Date(now.getTime() + LEASE * MINUTE);
  const due = await context.watches.takeDue(now, again, AT_ONCE);
  for (const message of due) await context.watches.settle(message.id, await sent(context, message));
  return due.length;
}

async function sent(context: Outside, message: DueMessage): Promise<MessageOutcome> {
  try {
    const answer =
      message.channel === 'mail' ? await mailed(context, message) : await called(context, message);
    return { state: 'sent', at: context.now(), answer };
  } catch (error) {
    const answer = (error instanceof Error ? error.message : String(error)).slice(0, 300);
    const wait = WAITS[message.tries - 1];
    const isFinal = error instanceof AppError && error.code === 'invalid';
    if (wait === undefined || isFinal) return { state: 'given-up', answer };
    return { state: 'waiting', next: new Date(context.now().getTime() + wait * MINUTE), answer };
  }
}

async function mailed(
  { mailer }: Outside,
  { workspace, id, address, subject, body }: DueMessage,
): Promise<string> {
  if (!mailer) throw new Error('No mail is set up here.');
  await mailer.send(workspace, { id, to: address, subject, text: body });
  return 'handed over';
}

async function called(context: Outside, { workspace, id, address, body }: DueMessage): Promise<string> {
  if (!context.webCall) throw new Error('No calls are made here.');
  // What was allowed when the watch was kept may not be any more.
  const refused = mayCall(address, context.mayBeCalled ?? []);
  if (refused) throw new AppError('invalid', refused);
  const secret = await context.watches.secret(workspace, newSecret());
  const time = context.now().toISOString();
  const { status } = await context.webCall({
    url: address,
    headers: {
      'content-type': 'application/json',
      'wick-tally-message': id,
      'wick-tally-time': time,
      'wick-tally-signature': signature(secret, time, body),
    },
    body,
  });
  if (status < 200 || status > 299) throw new Error(`It answered with ${status}.`);
  return `answered with ${status}`;
}

const newSecret = (): string => randomBytes(32).toString('base64url');

/** With which calls are signed, for whoever receives them. */
export function callSecret(context: Context): Promise<string> {
  allow(context.actor, 'callSecret');
  return context.watches.secret(context.actor.workspace, newSecret());
}

/** What a simulated mailbox keeps; null: mail really leaves, or there is none. */
export async function readMailbox(context: Context): Promise<readonly KeptMail[] | null> {
  allow(context.actor, 'readMailbox');
  return (await context.mailer?.box?.(context.actor.workspace)) ?? null;
}

/** Once a day, whichever process comes first: paces and closes change by the day alone. One team's trouble is its own. */
export async function watchTheDay(context: Outside): Promise<boolean> {
  const day = context.now().toISOString().slice(0, 10);
  if (!(await context.watches.takeDay(day))) return false;
  const failed: unknown[] = [];
  for (const workspace of await context.watches.workspaces()) {
    const actor: Actor = { user: 'watches', workspace, role: 'pipeline' };
    await evaluateWatches({ ...context, actor }).catch((error: unknown) => failed.push(error));
  }
  if (failed.length > 0) throw new AggregateError(failed, 'Watches of some teams could not be looked at.');
  return true;
}
