/** What the load of a design is stated by, as files and edits write it. */
import { z } from 'zod';
import { DRIVER_NAME, MOST_DRIVERS } from '@/engine/drivers';
import { amountText, amountUpTo, code, name } from '@/platform/formats/fields';
import { risingPlainCased } from './use-fields';

const driver = z
  .strictObject({
    name: z
      .string()
      .regex(DRIVER_NAME, 'must be a letter and at most 29 letters, digits or underscores, without spaces'),
    title: name,
    unit: z.string().trim().max(60),
    value: risingPlainCased,
    from: amountText,
    to: amountText,
    scale: z.enum(['linear', 'log']),
    measured: z.boolean().optional(),
  })
  .superRefine(({ from, to, scale }, context) => {
    const refuse = (message: string): void => context.addIssue({ code: 'custom', path: ['to'], message });
    if (!(Number(to) > Number(from))) refuse(`must be above the beginning of the range (${from})`);
    if (scale === 'log' && !(Number(from) > 0)) {
      const message = 'a range by powers must begin above zero';
      context.addIssue({ code: 'custom', path: ['from'], message });
    }
  });

export const drivers = z
  .array(driver)
  .max(MOST_DRIVERS, `a design has at most ${MOST_DRIVERS} drivers`)
  .superRefine((all, context) => {
    const names = all.map((each) => each.name);
    names.forEach((each, at) => {
      if (names.indexOf(each) === at) return;
      context.addIssue({ code: 'custom', path: [at, 'name'], message: `the driver “${each}” stands twice` });
    });
  });

/** What moves together in simulations: by ranks, from not at all to entirely. */
export const together = z
  .array(
    z.strictObject({
      name,
      rank: amountUpTo(
        1,
        'must be between 0 (not at all) and 1 (entirely): opposite ways are not possible for a group',
      ),
      inputs: z
        .array(z.strictObject({ component: code, entry: z.string().min(1).max(120) }))
        .min(2, 'two inputs or more move together')
        .max(100),
    }),
  )
  .max(20)
  .superRefine((groups, context) => {
    const seen = new Set<string>();
    groups.forEach(({ inputs }, group) =>
      inputs.forEach(({ component, entry }, at) => {
        const key = `${component} ${entry}`;
        if (seen.has(key)) {
          const message = 'moves with one group only';
          context.addIssue({ code: 'custom', path: [group, 'inputs', at], message });
        }
        seen.add(key);
      }),
    );
  });
