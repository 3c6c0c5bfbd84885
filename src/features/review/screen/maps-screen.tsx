/** Resource maps: which ship, the team's own with their revisions, and what they make of a plan that is chosen. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { TeamFile } from '@/features/review/use/review-ports';
import { Button } from '@/platform/ui/button';
import type { MapText } from '@/features/review/worker/review-protocol';
import { FileFaults } from '@/platform/shell/file-faults';
import { callApi } from '@/platform/screen/call-api';
import { saveText } from '@/platform/screen/save-text';
import { Working } from '@/platform/screen/working';
import { ChooseFile } from './choose-file';
import { MapEditor, type OpenMap } from './map-editor';
import { fileOfPlan, usePlanReading } from './plan-reading';
import { ResourcesOfType } from './resources-of-type';
import { ReviewsHead } from './reviews-head';
import { countWords } from './count-words';
import { TypesTable } from './types-table';

const NEW_MAP = `# Which type is what, and from which attributes its size and use are read.
wick: resource-map
version: 1
title: Ours
providers: {}
rules: []
`;

interface MapsProps {
  readonly maps: readonly MapText[];
  readonly own: readonly TeamFile[];
}

export function MapsScreen({ maps, own }: MapsProps) {
  const router = useRouter();
  const reading = usePlanReading();
  const [plan, setPlan] = useState<File | null>(null);
  const [type, setType] = useState<string | null>(null);
  const [open, setOpen] = useState<OpenMap | null>(null);
  const { read, isReading } = reading;
  /** Another map is tried on the same plan at once. */
  const retry = (): void => {
    router.refresh();
    if (plan) void callMaps().then((all) => reading.choose([fileOfPlan(plan)], null, all));
  };
  const draftInto = (draft: string): void =>
    setOpen({ name: 'Ours', baseRevision: revisionOf(own, 'Ours'), text: draft });
  return (
    <>
      <ReviewsHead />
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="Resource maps"
      >
        <p className="max-w-[760px] text-base text-soft">
          A resource map says which type of resource is what in the price books, and from which of its
          attributes its size and use are read. Your own rules win over what ships.
        </p>
        <MapList
          maps={maps}
          own={own}
          onOpen={setOpen}
          onNew={() => setOpen({ name: 'Ours', baseRevision: revisionOf(own, 'Ours'), text: NEW_MAP })}
        />
        {open && (
          <MapEditor
            key={`${open.name} ${open.baseRevision} ${open.text.length}`}
            open={open}
            onClose={() => setOpen(null)}
            onSaved={() => {
              setOpen(null);
              retry();
            }}
          />
        )}
        <h2 className="mt-6 text-base font-semibold">What they make of a plan</h2>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <ChooseFile
            label="Choose a plan"
            accept=".json,.tfstate,application/json"
            chosen={plan?.name ?? null}
            onFile={(file) => {
              setPlan(file);
              setType(null);
              reading.choose([fileOfPlan(file)], null, maps);
            }}
          />
          {read?.draft != null && (
            <>
              <Button onClick={() => draftInto(read.draft!)}>Draft rules for what has none</Button>
              <Button tone="bare" onClick={() => saveText(read.draft!, 'draft-map.yaml', 'application/yaml')}>
                Save the draft as a file
              </Button>
            </>
          )}
        </div>
        {isReading && (
          <div className="mt-3">
            <Working progress={null} words={`Reading ${reading.name}`} />
          </div>
        )}
        {read && (
          <div className="max-w-[1100px]">
            <p className="mt-3 text-sm" role="status" data-testid="plan-read">
              {`${countWords(read.resources.length, 'resource')} of ${countWords(read.types.length, 'type')}, read from a ${read.form}. It was read here and is kept nowhere.`}
            </p>
            <TypesTable types={read.types} chosen={type} onChoose={setType} />
            {type !== null && <ResourcesOfType type={type} resources={read.resources} />}
          </div>
        )}
      </div>
      <FileFaults trouble={reading.trouble} onClose={reading.forget} />
    </>
  );
}

const revisionOf = (own: readonly TeamFile[], name: string): number =>
  own.find((each) => each.name === name)?.revision ?? 0;

const callMaps = (): Promise<MapText[]> => callApi<MapText[]>('/api/resource-maps');

interface MapListProps extends MapsProps {
  readonly onOpen: (map: OpenMap) => void;
  readonly onNew: () => void;
}

function MapList({ maps, own, onOpen, onNew }: MapListProps) {
  return (
    <>
      <table className="mt-3 w-full max-w-[760px] text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className="py-1 pr-3 font-normal">Map</th>
            <th className="py-1 pr-3 font-normal">Whose</th>
            <th className="py-1 pr-3 font-normal">Revision</th>
            <th className="py-1 font-normal">
              <span className="sr-only">Acts</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {maps.map(({ name, text, own: isOwn }) => {
            const revision = isOwn ? revisionOf(own, name) : null;
            return (
              <tr key={`${isOwn} ${name}`} className="border-b border-line">
                <td className="py-1 pr-3 break-words">{name}</td>
                <td className="py-1 pr-3 text-soft">{isOwn ? 'the team’s own' : 'ships with it'}</td>
                <td className="py-1 pr-3 tabular-nums">{revision === null ? '–' : revision}</td>
                <td className="py-1 text-right">
                  <Button tone="bare" onClick={() => saveText(text, `${name}.yaml`, 'application/yaml')}>
                    Save as a file
                  </Button>
                  <Button
                    tone="bare"
                    onClick={() => onOpen({ name, text, baseRevision: revision ?? revisionOf(own, name) })}
                  >
                    {isOwn ? 'Change' : 'Start from it'}
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="mt-2">
        <Button onClick={onNew}>New map</Button>
      </div>
    </>
  );
}
