/** A watch as it is made or changed. */
'use client';
import { useState } from 'react';
import { decimal } from '@/engine/base';
import { writeShare } from '@/platform/words';
import { USUAL_STEPS, type Watch, type WatchedOn } from '@/features/alerts/calc';
import type { StoredWatch } from '@/features/alerts/use/watch-ports';
import type { WatchChoices } from '@/features/alerts/use/watch-choices';
import { Button } from '@/platform/ui/button';
import { ErrorNote } from '@/platform/ui/error-note';
import { Choice, Field } from '@/platform/ui/field';
import { PartFields } from './part-fields';

interface WatchFormProps {
  /** Null: a new one. */
  readonly watch: StoredWatch | null;
  readonly choices: readonly WatchChoices[];
  readonly onSave: (watch: Watch) => Promise<void>;
}

const ON: Readonly<Record<WatchedOn, string>> = {
  billed: 'what is billed so far',
  close: 'where the period will close',
  pace: 'what an ordinary day costs now',
  new: 'what the design does not expect',
};

const accountKey = ({ provider, account }: Pick<WatchChoices, 'provider' | 'account'>): string =>
  JSON.stringify([provider, account]);

function freshWatch(choices: WatchChoices | undefined): Watch {
  return {
    ...{ name: '', provider: choices?.provider ?? '', account: choices?.account ?? '' },
    ...{ of: { what: 'whole' }, on: 'billed', limit: null, currency: choices?.currency ?? 'USD' },
    ...{ basis: 'effective', steps: USUAL_STEPS, ahead: 7, mail: [], call: null },
  };
}

/** “50, 80, 100” as shares; what cannot be read stays as it is, and is refused with words. */
const stepsOf = (text: string): string[] =>
  text.split(/[\s,;%]+/).flatMap((part) => {
    if (part === '') return [];
    return [/^\d{1,6}(\.\d{1,4})?$/.test(part) ? decimal(part).dividedBy(100).toString() : part];
  });

export function WatchForm({ watch: stored, choices, onSave }: WatchFormProps) {
  const [watch, setWatch] = useState<Watch>(stored?.watch ?? freshWatch(choices[0]));
  const [steps, setSteps] = useState(
    watch.steps.map((step) => decimal(step).times(100).toString()).join(', '),
  );
  const [mail, setMail] = useState(watch.mail.join(', '));
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isSaving, setSaving] = useState(false);
  const change = (part: Partial<Watch>): void => setWatch({ ...watch, ...part });
  const own = choices.find((each) => accountKey(each) === accountKey(watch));
  const isAllowance = watch.of.what === 'allowance';
  const unit = isAllowance
    ? (own?.allowances.find((each) => isAllowanceOf(each, watch))?.unit ?? '')
    : watch.currency;
  const save = async (): Promise<void> => {
    setTrouble(null);
    setSaving(true);
    try {
      await onSave({
        ...watch,
        steps: stepsOf(steps),
        mail: mail.split(/[\s,;]+/).filter((each) => each !== ''),
        call: watch.call?.trim() || null,
      });
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
    setSaving(false);
  };
  return (
    <form
      className="grid min-h-0 gap-3 overflow-y-auto px-4 py-3 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Field label="Name">
        {(field) => (
          <input
            {...field}
            value={watch.name}
            maxLength={200}
            autoFocus
            onChange={(event) => change({ name: event.target.value })}
          />
        )}
      </Field>
      {choices.length > 1 && (
        <Choice
          label="Bills of"
          value={accountKey(watch)}
          options={choices.map((each): [string, string] => [
            accountKey(each),
            `${each.provider} ${each.account}`,
          ])}
          onChange={(key) => {
            const next = choices.find((each) => accountKey(each) === key)!;
            const { provider, account, currency } = next;
            change({ provider, account, currency, of: { what: 'whole' } });
          }}
        />
      )}
      <PartFields
        of={watch.of}
        choices={own}
        // Of an allowance nothing is new.
        onChange={(of) =>
          change({ of, on: of.what === 'allowance' && watch.on === 'new' ? 'billed' : watch.on })
        }
      />
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Watch"
          value={watch.on}
          options={(Object.keys(ON) as WatchedOn[])
            .filter((on) => !(isAllowance && on === 'new'))
            .map((on): [WatchedOn, string] => [on, ON[on]])}
          onChange={(on) => change({ on })}
        />
        {!isAllowance && (
          <Choice
            label="Money"
            value={watch.basis}
            options={[
              ['effective', 'effective: advance payments spread'],
              ['billed', 'billed: as it is charged'],
            ]}
            onChange={(basis) => change({ basis })}
          />
        )}
      </div>
      <Field
        label={`Threshold, ${unit}${watch.on === 'pace' ? ' a day' : ' of the period'}`}
        hint={
          watch.of.what === 'tag'
            ? 'A tag needs an amount: no design expects anything of it.'
            : isAllowance
              ? 'Empty: what is included.'
              : 'Empty: what the design expects.'
        }
      >
        {(field) => (
          <input
            {...field}
            inputMode="decimal"
            value={watch.limit ?? ''}
            onChange={(event) => change({ limit: event.target.value.trim() || null })}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Steps, %" hint={`Said once each in a period. ${stepWords(stepsOf(steps))}`}>
          {(field) => <input {...field} value={steps} onChange={(event) => setSteps(event.target.value)} />}
        </Field>
        <Field label="Said ahead, days" hint="0: only when it is reached.">
          {(field) => (
            <input
              {...field}
              type="number"
              min={0}
              max={31}
              value={watch.ahead}
              onChange={(event) => change({ ahead: Math.trunc(Number(event.target.value)) || 0 })}
            />
          )}
        </Field>
      </div>
      <Field label="Mail to" hint="Several with commas. Empty: it is said here only.">
        {(field) => <input {...field} value={mail} onChange={(event) => setMail(event.target.value)} />}
      </Field>
      <Field label="Call an address" hint="Signed. Only this machine, unless whoever runs this allows more.">
        {(field) => (
          <input
            {...field}
            value={watch.call ?? ''}
            placeholder="http://127.0.0.1:…"
            onChange={(event) => change({ call: event.target.value || null })}
          />
        )}
      </Field>
      {trouble && <ErrorNote message={trouble} />}
      <div className="flex justify-end">
        <Button type="submit" tone="strong" disabled={isSaving}>
          {stored ? 'Keep the change' : 'Watch it'}
        </Button>
      </div>
    </form>
  );
}

const isAllowanceOf = (
  each: { readonly component: string; readonly meter: string },
  { of }: Watch,
): boolean => of.what === 'allowance' && each.component === of.component && each.meter === of.meter;

function stepWords(steps: readonly string[]): string {
  const read = steps.filter((step) => /^\d+(\.\d+)?$/.test(step));
  return read.length === 0 ? '' : `At ${read.map((step) => writeShare(step)).join(', ')}.`;
}
