/** Tokens of pipelines: made, told once, withdrawn; when each was used last. */
'use client';
import { useState } from 'react';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { callApi, postJson } from '@/platform/screen/call-api';
import { writeWhen } from '@/platform/screen/time';

export interface PlainToken {
  readonly id: string;
  readonly name: string;
  readonly createdBy: string;
  readonly createdAt: string;
  readonly lastUsedAt: string | null;
  readonly withdrawnAt: string | null;
}

interface Made {
  readonly id: string;
  readonly secret: string;
}

export function Tokens({ first }: { readonly first: readonly PlainToken[] }) {
  const [tokens, setTokens] = useState(first);
  const [made, setMade] = useState<Made | null>(null);
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const attempt = async (act: () => Promise<void>): Promise<void> => {
    setTrouble(null);
    try {
      await act();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  const make = (): Promise<void> =>
    attempt(async () => {
      const answer = await postJson<{ made: Made; tokens: readonly PlainToken[] }>('/api/pipeline-tokens', {
        name: name.trim(),
      });
      setTokens(answer.tokens);
      setMade(answer.made);
      setName('');
    });
  const withdraw = (id: string): Promise<void> =>
    attempt(async () => {
      setTokens(await callApi<readonly PlainToken[]>(`/api/pipeline-tokens/${id}`, { method: 'DELETE' }));
      if (made?.id === id) setMade(null);
    });
  return (
    <section aria-labelledby="tokens-head" className="max-w-[860px]">
      <h2 id="tokens-head" className="text-base font-semibold">
        Tokens of pipelines
      </h2>
      <p className="mt-1 max-w-[760px] text-sm text-soft">
        A pipeline that has one can hand in change reviews of this team, and do nothing else. It is told once
        and kept as a hash.
      </p>
      <form
        className="mt-3 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <div className="w-[280px]">
          <Field label="What it is for">
            {(field) => (
              <input
                {...field}
                value={name}
                maxLength={200}
                autoComplete="off"
                placeholder="Pipeline of the booking system"
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Field>
        </div>
        <Button type="submit" tone="strong" disabled={name.trim() === ''}>
          Make a token
        </Button>
      </form>
      {trouble && (
        <p role="alert" className="mt-2 text-sm text-ember-ink">
          {trouble}
        </p>
      )}
      {made && <Told secret={made.secret} />}
      {tokens.length === 0 ? (
        <p className="mt-3 text-sm text-soft">There is none yet.</p>
      ) : (
        <table className="mt-3 w-full text-sm">
          <thead>
            <tr className="border-b border-ink text-left text-xs text-soft">
              <th className="py-1 pr-3 font-normal">For</th>
              <th className="py-1 pr-3 font-normal">Made</th>
              <th className="py-1 pr-3 font-normal">Last used</th>
              <th className="py-1 font-normal">
                <span className="sr-only">Acts</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {tokens.map((token) => (
              <TokenRow key={token.id} token={token} onWithdraw={() => void withdraw(token.id)} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

interface TokenRowProps {
  readonly token: PlainToken;
  readonly onWithdraw: () => void;
}

function TokenRow({ token, onWithdraw }: TokenRowProps) {
  const { name, createdAt, createdBy, lastUsedAt, withdrawnAt } = token;
  const isOpen = withdrawnAt === null;
  return (
    <tr className={`border-b border-line ${isOpen ? '' : 'text-soft'}`}>
      <td className="py-1 pr-3 break-words">{name}</td>
      <td className="py-1 pr-3" suppressHydrationWarning>{`${writeWhen(createdAt)}, by ${createdBy}`}</td>
      <td className="py-1 pr-3" suppressHydrationWarning>
        {lastUsedAt === null ? 'never' : writeWhen(lastUsedAt)}
      </td>
      <td className="h-[36px] py-1 text-right">
        {isOpen ? (
          <Button onClick={onWithdraw} aria-label={`Withdraw ${name}`}>
            Withdraw
          </Button>
        ) : (
          'withdrawn'
        )}
      </td>
    </tr>
  );
}

function Told({ secret }: { readonly secret: string }) {
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(secret);
      tell('The token was copied.');
    } catch {
      tell('The browser did not let it be copied. Choose it and copy it by hand.');
    }
  };
  return (
    <div role="status" className="mt-3 max-w-[620px] border-y border-ink py-2 text-sm">
      <p className="font-semibold">Keep it now: it is not shown again.</p>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <code data-testid="token" className="font-mono text-xs break-all select-all">
          {secret}
        </code>
        <Button onClick={() => void copy()}>Copy</Button>
      </p>
      <p className="mt-1 text-xs text-soft">
        Give it to the pipeline as the variable WICK_TOKEN; “wick review --send” reads it there.
      </p>
    </div>
  );
}
