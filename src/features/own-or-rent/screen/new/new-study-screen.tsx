/** A new study: of a fleet, of a design, of typed work, or from a file. */
'use client';
import { useState } from 'react';
import { readStudy } from '@/features/own-or-rent/format/study-schema';
import { Field } from '@/platform/ui/field';
import { FileFaults, type FileTrouble } from '@/platform/shell/file-faults';
import { callApi } from '@/platform/screen/call-api';
import { useStudyActs } from '../study-acts';
import type { Study } from '@/features/own-or-rent/calc';
import { ChoiceRow, Choices, type FleetChoice } from './choices';
import { FromFleet } from './from-fleet';
import { TypedWork } from './typed-work';

interface NewStudyProps {
  readonly fleets: readonly FleetChoice[];
  readonly designs: readonly { readonly id: string; readonly title: string; readonly components: number }[];
  readonly isTyped: boolean;
  /** The study of this one is made at once. */
  readonly fleet: string | null;
}

const WAYS = [
  ['fleet', 'A fleet'],
  ['design', 'A design'],
  ['typed', 'A few numbers'],
  ['file', 'A file'],
] as const;

/** The next January. */
const nextStart = (): string => `${new Date().getFullYear() + 1}-01`;

export function NewStudyScreen({ fleets, designs, isTyped, fleet }: NewStudyProps) {
  const acts = useStudyActs();
  const [way, setWay] = useState<(typeof WAYS)[number][0]>(
    isTyped ? 'typed' : fleets.length > 0 ? 'fleet' : designs.length > 0 ? 'design' : 'typed',
  );
  const [start, setStart] = useState(nextStart);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [faults, setFaults] = useState<FileTrouble | null>(null);
  const make = async (find: () => Promise<Study>): Promise<void> => {
    setTrouble(null);
    try {
      await acts.make(await find());
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  const ofDesign = (design: string): Promise<void> =>
    make(async () => {
      const body = JSON.stringify({ design, start });
      const headers = { 'content-type': 'application/json' };
      return (await callApi<{ study: Study }>('/api/studies/propose', { method: 'POST', headers, body }))
        .study;
    });
  const ofFile = async (file: File): Promise<void> => {
    const read = readStudy(await file.text());
    if (read.ok) return make(() => Promise.resolve(read.value));
    setFaults({
      file: file.name,
      message: 'This file is no study. Nothing was changed.',
      faults: read.faults,
      more: read.more,
    });
  };
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center border-b border-line px-[18px]">
        <h1 className="text-lg font-semibold">New study</h1>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface">
        <div className="max-w-[760px] px-[18px] pt-5 pb-16">
          <p className="text-base text-soft">
            What is there, what it would become, and a sensible guess for everything that nobody said yet.
            Every number can be changed afterwards.
          </p>
          <div className="mt-4 max-w-[180px]">
            <Field label="The study begins in">
              {(field) => (
                <input
                  {...field}
                  type="month"
                  value={start}
                  onChange={({ target }) => /^\d{4}-\d{2}$/.test(target.value) && setStart(target.value)}
                />
              )}
            </Field>
          </div>
          <div role="group" aria-label="Made from" className="mt-5 flex gap-1 border-b border-ink">
            {WAYS.map(([key, words]) => (
              <button
                key={key}
                type="button"
                aria-pressed={way === key}
                onClick={() => setWay(key)}
                className={`border-b-[3px] px-3 py-1 text-sm ${way === key ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
              >
                {words}
              </button>
            ))}
          </div>
          {trouble && (
            <p role="alert" className="mt-3 text-sm text-ember-ink">
              {trouble}
            </p>
          )}
          <div className="mt-3">
            {way === 'fleet' && (
              <FromFleet
                first={fleet}
                fleets={fleets}
                start={start}
                onMade={(study) => make(() => Promise.resolve(study))}
              />
            )}
            {way === 'design' && (
              <Choices nothing="There is no design yet.">
                {designs.map(({ id, title, components }) => (
                  <ChoiceRow
                    key={id}
                    title={title}
                    detail={`${components} components; each section moves by itself`}
                    onChoose={() => void ofDesign(id)}
                  />
                ))}
              </Choices>
            )}
            {way === 'typed' && (
              <TypedWork start={start} onMade={(study) => make(() => Promise.resolve(study))} />
            )}
            {way === 'file' && (
              <label className="block text-sm">
                A study as this application or <code className="font-mono text-xs">wick</code> writes it
                <input
                  type="file"
                  accept="application/json,.json"
                  className="mt-2 block"
                  onChange={({ target }) => {
                    const [file] = target.files ?? [];
                    target.value = '';
                    if (file) void ofFile(file);
                  }}
                />
              </label>
            )}
          </div>
        </div>
      </div>
      <FileFaults trouble={faults} onClose={() => setFaults(null)} />
    </>
  );
}
