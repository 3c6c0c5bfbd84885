/** What a watch may say of itself. */
import { z } from 'zod';
import { WATCHED_ON, type Watch, type WatchOf } from '@/features/alerts/calc';
import { amountText, name, positiveText } from '@/platform/formats/fields';
import { invalid } from '@/platform/use/app-error';
import { mayCall } from './watch-calls';

const id = z.string().min(1).max(200);
const MOST_STEPS = 10;
const MOST_MAILS = 20;
/** Not what mail allows, but what people have. */
const MAIL = /^[^\s@<>"',;:]{1,64}@[^\s@<>"',;:]{1,190}$/;

const of = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('whole') }),
  z.strictObject({ what: z.literal('section'), section: id }),
  z.strictObject({ what: z.literal('component'), component: id }),
  z.strictObject({ what: z.literal('meter'), component: id, meter: id }),
  z.strictObject({ what: z.literal('allowance'), component: id, meter: id }),
  z.strictObject({ what: z.literal('tag'), key: id, value: z.string().max(500) }),
]) satisfies z.ZodType<WatchOf>;

const step = amountText.refine((text) => Number(text) >= 0.01 && Number(text) <= 10);

const watch = z.strictObject({
  name,
  provider: z.string().min(1).max(200),
  account: z.string().max(200),
  of,
  on: z.enum(WATCHED_ON),
  limit: positiveText.nullable(),
  currency: z.string().regex(/^[A-Z]{3}$/),
  basis: z.enum(['effective', 'billed']),
  steps: z.array(step).min(1).max(MOST_STEPS),
  ahead: z.int().min(0).max(31),
  mail: z.array(z.string().regex(MAIL)).max(MOST_MAILS),
  call: z.string().max(2000).nullable(),
});

/** What is wrong is said with what may be. */
const SAID: Readonly<Record<string, string>> = {
  name: 'A watch needs a name of at most 200 characters.',
  limit: 'A threshold is an amount above nought, or none: then it is what the design expects.',
  steps: `Steps are 1 to ${MOST_STEPS} shares of the threshold, from 1 to 1 000 %.`,
  ahead: 'It can be said up to 31 days ahead.',
  mail: `Mail goes to at most ${MOST_MAILS} addresses such as team@example.org.`,
  call: 'An address to be called has at most 2 000 characters.',
};

export function readWatch(body: unknown, mayBeCalled: readonly string[] = []): Watch {
  const read = watch.safeParse(body);
  if (!read.success) {
    const [field] = read.error.issues[0]!.path;
    throw invalid(SAID[String(field)] ?? 'This watch cannot be read: look at what is watched.');
  }
  const { data } = read;
  const steps = [...new Set(data.steps)].sort((a, b) => Number(a) - Number(b));
  if (data.of.what === 'tag' && data.limit === null)
    throw invalid('No design expects anything of a tag: say from which amount on.');
  if (data.of.what === 'allowance' && data.on === 'new')
    throw invalid('Of an allowance, what is used, its close and its pace can be watched.');
  if (data.call !== null) {
    const refused = mayCall(data.call, mayBeCalled);
    if (refused) throw invalid(refused);
  }
  return { ...data, steps, mail: [...new Set(data.mail)] };
}
