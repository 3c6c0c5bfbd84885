/** What is asked before a form can be priced: other questions for machines, stores and messages. */
'use client';
import { parseDecimal } from '@/engine/base';
import type { FormWish } from '@/features/compare/calc/deployment-forms';
import { Choice, Field } from '@/platform/ui/field';

export const FIRST_WISHES: Readonly<Record<FormWish['job'], FormWish>> = {
  compute: machine('compute'),
  database: machine('database'),
  store: { job: 'store', reached: null, held: '1000', readBack: '100', accesses: '1000000' },
  messages: { job: 'messages', again: null, messages: '10000000', size: '4', days: '7' },
};

function machine(job: 'compute' | 'database'): FormWish {
  return {
    job,
    ownSystem: null,
    ownHardware: null,
    licence: null,
    running: 'always',
    vcpu: '4',
    memory: '16',
    count: '2',
  };
}

/** The numbers of each, with what they are called and the least they may be. */
const NUMBERS: Readonly<
  Record<FormWish['job'], readonly (readonly [key: string, label: string, least: 0 | 1])[]>
> = {
  compute: [
    ['vcpu', 'vCPU of each', 1],
    ['memory', 'GiB of each', 1],
    ['count', 'How many', 1],
  ],
  database: [
    ['vcpu', 'vCPU of each', 1],
    ['memory', 'GiB of each', 1],
    ['count', 'How many', 1],
  ],
  store: [
    ['held', 'GB held', 1],
    ['readBack', 'GB read back a month', 0],
    ['accesses', 'Accesses a month', 0],
  ],
  messages: [
    ['messages', 'Messages a month', 1],
    ['size', 'kB of each', 1],
    ['days', 'Days kept', 0],
  ],
};

function fault(text: string, least: 0 | 1): string | null {
  const read = parseDecimal(text.trim());
  if (!read.ok) return 'a plain number';
  if (read.value.isNegative() || (least === 1 && read.value.isZero())) {
    return least === 1 ? 'above zero' : 'not below zero';
  }
  return null;
}

const valueOf = (wish: FormWish, key: string): string =>
  String((wish as unknown as Record<string, unknown>)[key]);

export function isWhole(wish: FormWish): boolean {
  return NUMBERS[wish.job].every(([key, , least]) => fault(valueOf(wish, key), least) === null);
}

/** As the core reads it. */
export function trimmed(wish: FormWish): FormWish {
  const numbers = NUMBERS[wish.job].map(([key]) => [key, valueOf(wish, key).trim()] as const);
  return { ...wish, ...Object.fromEntries(numbers) } as FormWish;
}

type Answer = 'either' | 'yes' | 'no';
const TRUTH: Readonly<Record<Answer, boolean | null>> = { either: null, yes: true, no: false };
const answerOf = (value: boolean | null): Answer => (value === null ? 'either' : value ? 'yes' : 'no');
const YES_NO: readonly (readonly [Answer, string])[] = [
  ['either', 'does not matter'],
  ['yes', 'needed'],
  ['no', 'not wanted'],
];

interface FormQuestionsProps {
  readonly wish: FormWish;
  readonly onWish: (wish: FormWish) => void;
}

export function FormQuestions({ wish, onWish }: FormQuestionsProps) {
  const truth = (label: string, value: boolean | null, make: (value: boolean | null) => FormWish) => (
    <Choice
      label={label}
      value={answerOf(value)}
      options={YES_NO}
      onChange={(next) => onWish(make(TRUTH[next]))}
    />
  );
  return (
    <>
      <Choice
        label="For what"
        value={wish.job}
        options={[
          ['compute', 'an application'],
          ['database', 'a relational database'],
          ['store', 'data to keep'],
          ['messages', 'messages between parts'],
        ]}
        onChange={(job) => onWish(FIRST_WISHES[job])}
      />
      {(wish.job === 'compute' || wish.job === 'database') && (
        <>
          {truth('Own control of the system', wish.ownSystem, (ownSystem) => ({ ...wish, ownSystem }))}
          {truth('Hardware of one’s own', wish.ownHardware, (ownHardware) => ({ ...wish, ownHardware }))}
          <Choice
            label="Licence"
            value={wish.licence ?? 'either'}
            options={[
              ['either', 'does not matter'],
              ['included', 'in the rate'],
              ['brought', 'brought along'],
            ]}
            onChange={(licence) => onWish({ ...wish, licence: licence === 'either' ? null : licence })}
          />
          <Choice
            label="Runs"
            value={wish.running}
            options={[
              ['always', 'always'],
              ['office', 'in office hours'],
              ['asleep', 'seldom asked'],
            ]}
            onChange={(running) => onWish({ ...wish, running })}
          />
        </>
      )}
      {wish.job === 'store' && (
        <Choice
          label="Reached"
          value={wish.reached ?? 'either'}
          options={[
            ['either', 'does not matter'],
            ['objects', 'by name, over the network'],
            ['files', 'as a folder of many machines'],
            ['disk', 'as a disk of one machine'],
            ['rows', 'row by row'],
          ]}
          onChange={(reached) => onWish({ ...wish, reached: reached === 'either' ? null : reached })}
        />
      )}
      {wish.job === 'messages' &&
        truth('Read again, or by others', wish.again, (again) => ({ ...wish, again }))}
      {NUMBERS[wish.job].map(([key, label, least]) => (
        <Field key={key} label={label} fault={fault(valueOf(wish, key), least)}>
          {(field) => (
            <input
              {...field}
              value={valueOf(wish, key)}
              maxLength={15}
              onChange={(event) => onWish({ ...wish, [key]: event.target.value } as FormWish)}
            />
          )}
        </Field>
      ))}
    </>
  );
}
