/** Brings in a plan by hand: it is read here, in the browser; what is kept is said before anything is kept. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import type { HandedIn, MapText, PlanFile } from '@/features/review/worker/review-protocol';
import { FileFaults } from '@/platform/shell/file-faults';
import { Working } from '@/platform/screen/working';
import { ChooseFile } from './choose-file';
import { ChooseFolder } from './choose-folder';
import { fileOfPlan, nameOf, usePlanReading } from './plan-reading';
import { ResourcesOfType } from './resources-of-type';
import { ReviewsHead } from './reviews-head';
import { countWords } from './count-words';
import { TypesTable } from './types-table';

const JSON_FILES = '.json,.tfplan.json,.tfstate,application/json';
const YAML_FILES = '.yaml,.yml';

interface Files {
  readonly plan: readonly PlanFile[] | null;
  readonly against: File | null;
}

export function BringScreen({ maps }: { readonly maps: readonly MapText[] }) {
  const reading = usePlanReading();
  const [files, setFiles] = useState<Files>({ plan: null, against: null });
  const [type, setType] = useState<string | null>(null);
  const { read, isReading, trouble } = reading;
  const choose = (next: Files): void => {
    setFiles(next);
    setType(null);
    if (next.plan) reading.choose(next.plan, next.against, maps);
  };
  return (
    <>
      <ReviewsHead />
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="Review a plan"
      >
        <h2 className="text-lg font-semibold">Review a plan</h2>
        <p className="mt-1 max-w-[760px] text-base text-soft">
          Choose a plan as JSON, or a state; for a rough first look without a plan, the folder of the
          configuration. It is read in this browser and never leaves it: only what a resource map reads of
          each resource is kept, and you see that first.
        </p>
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <ChooseFile
            label={files.plan ? 'Choose another plan' : 'Choose a plan'}
            accept={JSON_FILES}
            strong={!files.plan}
            chosen={files.plan && nameOf(files.plan)}
            onFile={(file) => choose({ ...files, plan: [fileOfPlan(file)] })}
          />
          <ChooseFolder
            label="Choose a folder of configuration"
            onFiles={(plan) => choose({ plan, against: null })}
          />
          <ChooseFile
            label="Hold it against another"
            accept={JSON_FILES}
            chosen={files.against?.name ?? null}
            onFile={(against) => choose({ ...files, against })}
          />
          {files.against && (
            <Button tone="bare" onClick={() => choose({ ...files, against: null })}>
              Against what it says itself
            </Button>
          )}
        </div>
        {isReading && (
          <div className="mt-4">
            <Working progress={null} words={`Reading ${reading.name}`} />
          </div>
        )}
        {read && (
          <div className="mt-4 grid max-w-[1240px] gap-8 lg:grid-cols-[minmax(0,1fr)_320px]">
            <div className="min-w-0">
              <p className="text-base font-semibold" data-testid="plan-read" role="status">
                {`${countWords(read.resources.length, 'resource')}, read from a ${read.form}.`}
              </p>
              {read.remarks.map((remark) => (
                <p key={remark} className="text-sm text-soft">
                  {remark}
                </p>
              ))}
              <TypesTable types={read.types} chosen={type} onChoose={setType} />
              {type !== null && <ResourcesOfType type={type} resources={read.resources} />}
            </div>
            <HandIn reading={reading} />
          </div>
        )}
      </div>
      <FileFaults trouble={trouble} onClose={reading.forget} />
    </>
  );
}

type Named = Omit<HandedIn, 'load' | 'limits'>;

const ENTRIES: readonly (readonly [keyof Named, string, string])[] = [
  ['repository', 'Repository', 'team/name'],
  ['change', 'Change', 'its number or name'],
  ['title', 'Title', 'what it is for'],
  ['commit', 'Commit', ''],
  ['branch', 'Branch', ''],
  ['author', 'Author', ''],
];

function HandIn({ reading: { client, name } }: { readonly reading: ReturnType<typeof usePlanReading> }) {
  const router = useRouter();
  const [named, setNamed] = useState<Named>({
    repository: 'by-hand',
    change: name.replace(/(\.tfplan)?\.(json|tfstate)$/, ''),
    commit: new Date().toISOString().slice(0, 16),
    branch: '',
    title: '',
    author: '',
  });
  const [beside, setBeside] = useState<Pick<HandedIn, 'load' | 'limits'>>({ load: null, limits: null });
  const [trouble, setTrouble] = useState<string | null>(null);
  const missing = [named.repository, named.change, named.commit].some((text) => text.trim() === '');
  const keep = async (): Promise<void> => {
    setTrouble(null);
    try {
      const made = await client!.ask({ ask: 'hand-in', as: { ...named, ...beside } });
      router.push(`/reviews/${made.id}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  return (
    <form
      aria-label="Keep it as a review"
      className="space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <h2 className="text-sm font-semibold">Keep it as a review</h2>
      {ENTRIES.map(([key, label, hint]) => (
        <Field key={key} label={label}>
          {(field) => (
            <input
              {...field}
              value={named[key]}
              placeholder={hint}
              maxLength={200}
              autoComplete="off"
              onChange={(event) => setNamed({ ...named, [key]: event.target.value })}
            />
          )}
        </Field>
      ))}
      <div className="flex flex-col items-start gap-2 pt-1">
        {(['load', 'limits'] as const).map((which) => (
          <ChooseFile
            key={which}
            label={which === 'load' ? 'Load profile' : 'Limits'}
            accept={YAML_FILES}
            chosen={beside[which] === null ? 'none' : 'chosen'}
            onFile={(file) =>
              void file.text().then((text) => setBeside((before) => ({ ...before, [which]: text })))
            }
          />
        ))}
      </div>
      {trouble && (
        <p role="alert" className="text-sm text-ember-ink">
          {trouble}
        </p>
      )}
      <Button type="submit" tone="strong" disabled={missing}>
        Keep and open it
      </Button>
    </form>
  );
}
