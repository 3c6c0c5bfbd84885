/** About a thing of the study: what it is, what it follows, what is in it; and taking it out. */
'use client';
import { studyKindWords } from '@/features/own-or-rent/words';
import {
  HARDWARE_SORTS,
  LICENCE_COUNTS,
  type Study,
  STUDY_KINDS,
  type StudyKind,
} from '@/features/own-or-rent/calc';
import { Button } from '@/platform/ui/button';
import { Choice } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import { useStudy } from '../study-context';
import { changed, renamed } from './things';

const PAID_KINDS = STUDY_KINDS.filter((kind) => kind !== 'move' && kind !== 'tax').map(
  (kind) => [kind, studyKindWords(kind)] as const,
);
const COUNT_WORDS: Readonly<Record<(typeof LICENCE_COUNTS)[number], string>> = {
  core: 'core of the hosts',
  host: 'host',
  machine: 'machine',
  whole: 'all of it, once',
};

interface ThingMarginProps {
  readonly path: string;
  readonly onRemove: () => void;
}

export function ThingMargin({ path, onRemove }: ThingMarginProps) {
  const { study, change } = useStudy();
  const [list, id, inner, innerId] = path.split('/') as [string, string, string?, string?];
  const name = nameOf(study, path);
  const isAmounts = inner === 'parts';
  return (
    <div className="space-y-3">
      <h2 className="pr-8 text-base font-semibold break-words">{name}</h2>
      {!isAmounts && (
        <TextEntry
          label="Name"
          text={name}
          maxLength={200}
          preview={(text) => (text.trim() === '' ? 'Type a name.' : null)}
          commit={(text) => change(renamed(study, path, text.trim()))}
          cancel={() => undefined}
        />
      )}
      {list === 'hardware' && <HardwareOf id={id} />}
      {list === 'licences' && (
        <Choice
          label="Counted by"
          value={study.licences.find((each) => each.id === id)?.per ?? 'whole'}
          options={LICENCE_COUNTS.map((per) => [per, COUNT_WORDS[per]] as const)}
          onChange={(per) => change(changed(study, path, (each) => ({ ...each, per })))}
        />
      )}
      {(list === 'contracts' || inner === 'extras') && (
        <Choice
          label="Counts as"
          value={kindOf(study, list, id, innerId)}
          options={PAID_KINDS}
          onChange={(kind) => change(changed(study, path, (each) => ({ ...each, kind })))}
        />
      )}
      {list === 'waves' && <PartsOf id={id} />}
      {list === 'targets' && !inner && (
        <p className="text-sm break-words text-soft">
          {study.targets.find((each) => each.id === id)?.source}
        </p>
      )}
      {!isAmounts && (list !== 'targets' || inner === 'extras') && list !== 'variants' && (
        <Button onClick={onRemove}>Take it out</Button>
      )}
    </div>
  );
}

function HardwareOf({ id }: { readonly id: string }) {
  const { study, change } = useStudy();
  const hardware = study.hardware.find((each) => each.id === id);
  if (!hardware) return null;
  const path = `hardware/${id}`;
  const follows = [
    ['machines', 'machines'],
    ['terabytes', 'stored terabytes'],
    ['nothing', 'nothing: it stays as many'],
    ...study.hardware.filter((each) => each.id !== id).map((each) => [each.id, each.name] as const),
  ] as const;
  return (
    <>
      <Choice
        label="Counts as"
        value={hardware.sort}
        options={HARDWARE_SORTS.map((sort) => [sort, studyKindWords(sort)] as const)}
        onChange={(sort) => change(changed(study, path, (each) => ({ ...each, sort })))}
      />
      <Choice
        label="Filled by"
        value={hardware.follows}
        options={follows}
        hint="When it is full, one more is bought."
        onChange={(of) => change(changed(study, path, (each) => ({ ...each, follows: of })))}
      />
    </>
  );
}

/** What moves with a wave; a part is in one wave at most. */
function PartsOf({ id }: { readonly id: string }) {
  const { study, change } = useStudy();
  const wave = study.waves.find((each) => each.id === id);
  if (!wave) return null;
  const toggle = (part: string): void =>
    change({
      ...study,
      waves: study.waves.map((each) => {
        const others = each.parts.filter((own) => own !== part);
        return each.id !== id
          ? { ...each, parts: others }
          : { ...each, parts: wave.parts.includes(part) ? others : [...others, part] };
      }),
    });
  return (
    <fieldset>
      <legend className="text-xs text-soft">What moves with it</legend>
      {study.parts.map((part) => (
        <label key={part.id} className="flex items-center gap-2 py-0.5 text-sm">
          <input
            type="checkbox"
            className="accent-(--brand)"
            checked={wave.parts.includes(part.id)}
            onChange={() => toggle(part.id)}
          />
          <span className="min-w-0 break-words">{part.name}</span>
        </label>
      ))}
    </fieldset>
  );
}

function kindOf(study: Study, list: string, id: string, innerId: string | undefined): StudyKind {
  if (list === 'contracts') return study.contracts.find((each) => each.id === id)?.kind ?? 'site';
  const target = study.targets.find((each) => each.id === id);
  return target?.extras.find((each) => each.id === innerId)?.kind ?? 'network';
}

function nameOf(study: Study, path: string): string {
  const [list, id, inner, innerId] = path.split('/') as [keyof Study, string, string?, string?];
  const things = study[list] as unknown as readonly { readonly id: string; readonly name: string }[];
  const name = things.find((each) => each.id === id)?.name ?? '';
  if (inner === 'parts') return `${study.parts.find((each) => each.id === innerId)?.name ?? ''}, ${name}`;
  if (inner !== 'extras') return name;
  const target = study.targets.find((each) => each.id === id);
  return target?.extras.find((each) => each.id === innerId)?.name ?? '';
}
