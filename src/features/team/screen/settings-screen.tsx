/** Settings of the team: tokens with which pipelines send their reviews, and the limits that hold for every change. */
'use client';
import { useState } from 'react';
import { tell } from '@/platform/ui/toast';
import { TextFile } from '@/platform/screen/text-file';
import { type PlainToken, Tokens } from './tokens';

interface SettingsProps {
  readonly tokens: readonly PlainToken[];
  readonly limits: { readonly text: string; readonly revision: number } | null;
}

const FIRST_LIMITS = `# Limits of the team. They hold for every change, beside those that stand with its code.
wick: limits
version: 1
limits: []
# For example:
#   - { id: jump, most: { percent: 25 }, say: More than a quarter needs a word with finance. }
#   - { id: tagged, level: warn, tags: [team] }
# exceptions:
#   - { limit: jump, address: 'module.report.*', reason: The accounts run in March., until: 2027-03-31 }
`;

export function SettingsScreen({ tokens, limits }: SettingsProps) {
  const [kept, setKept] = useState(limits ?? { text: FIRST_LIMITS, revision: 0 });
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center border-b border-line px-[18px]">
        <h1 className="text-lg font-semibold">Settings</h1>
      </div>
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-4 pb-10"
        tabIndex={0}
        role="region"
        aria-label="Settings of the team"
      >
        <Tokens first={tokens} />
        <section aria-labelledby="limits-head" className="mt-8 max-w-[860px]">
          <h2 id="limits-head" className="text-base font-semibold">
            Limits of every change
          </h2>
          <p className="mt-1 max-w-[760px] text-sm text-soft">
            What a month, a difference or one resource may cost, which kinds, sizes and regions are not
            wanted, which tags are needed. A limit warns or fails; an exception has a reason and an end. An
            empty file sets none.
          </p>
          <TextFile
            key={kept.revision}
            kind="limits"
            name="limits"
            label="Limits, as YAML"
            initial={kept}
            onSaved={(revision, text) => {
              setKept({ revision, text });
              tell('The limits were saved. Open changes are held against them.');
            }}
          />
        </section>
      </div>
    </>
  );
}
