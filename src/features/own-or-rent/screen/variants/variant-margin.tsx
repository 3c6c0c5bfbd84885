/** About one variant: its name, where it goes, what stays, when, how hardware is bought; and what it is held against. */
'use client';
import type { Variant } from '@/features/own-or-rent/calc';
import { Button } from '@/platform/ui/button';
import { Choice } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import { tell } from '@/platform/ui/toast';
import { readGuess, writeGuess } from '../numbers/number-rows';
import { useStudy } from '../study-context';

const NOWHERE = '';

export function VariantMargin({ id }: { readonly id: string }) {
  const { study, assumptions, change, undo } = useStudy();
  const variant = study.variants.find((each) => each.id === id);
  const delay = assumptions.find((each) => each.id === `variants/${id}/delay`);
  if (!variant || !delay) return null;
  const set = (part: Partial<Variant>): void =>
    change({
      ...study,
      variants: study.variants.map((each) => (each.id === id ? { ...each, ...part } : each)),
    });
  const [own, rent] = study.against;
  const remove = (): void => {
    const left = study.variants.filter((each) => each.id !== id);
    const first = left[0]!.id;
    change({ ...study, variants: left, against: [own === id ? first : own, rent === id ? first : rent] });
    tell(`“${variant.name}” was taken out.`, undo ? { label: 'Take it back', run: undo } : undefined);
  };
  const moves = new Set(study.waves.flatMap(({ parts }) => parts));
  const source = study.targets.find((each) => each.id === variant.target)?.source;
  return (
    <div className="space-y-3">
      <h2 className="pr-8 text-base font-semibold break-words">{variant.name}</h2>
      <TextEntry
        label="Name"
        text={variant.name}
        maxLength={200}
        preview={(text) => (text.trim() === '' ? 'Type a name.' : null)}
        commit={(name) => set({ name: name.trim() })}
        cancel={() => undefined}
      />
      <Choice
        label="Goes to"
        value={variant.target ?? NOWHERE}
        options={[
          [NOWHERE, 'nowhere: everything stays owned'],
          ...study.targets.map((each) => [each.id, each.name] as const),
        ]}
        hint={source}
        onChange={(target) => set({ target: target === NOWHERE ? null : target })}
      />
      {variant.target !== null && (
        <>
          <TextEntry
            label="Everything of the move later by, months"
            text={writeGuess(variant.delay)}
            preview={(text) => {
              const read = readGuess(text, variant.delay, delay);
              return 'refused' in read ? read.refused : null;
            }}
            commit={(text) => {
              const read = readGuess(text, variant.delay, delay);
              if ('guess' in read) set({ delay: read.guess });
            }}
            cancel={() => undefined}
          />
          <fieldset>
            <legend className="text-xs text-soft">What stays owned</legend>
            {study.parts.map((part) => (
              <label key={part.id} className="flex items-center gap-2 py-0.5 text-sm">
                <input
                  type="checkbox"
                  className="accent-(--brand)"
                  checked={variant.stays.includes(part.id) || !moves.has(part.id)}
                  disabled={!moves.has(part.id)}
                  onChange={() =>
                    set({
                      stays: variant.stays.includes(part.id)
                        ? variant.stays.filter((each) => each !== part.id)
                        : [...variant.stays, part.id],
                    })
                  }
                />
                <span className="min-w-0 break-words">
                  {part.name}
                  {!moves.has(part.id) && <span className="text-soft"> (in no wave)</span>}
                </span>
              </label>
            ))}
          </fieldset>
        </>
      )}
      <Choice
        label="Hardware is bought"
        value={variant.buying}
        options={[
          ['due', 'when it is due'],
          ['now', 'all of it at once, at the start'],
        ]}
        onChange={(buying) => set({ buying })}
      />
      <div className="flex flex-wrap gap-2">
        {own !== id && (
          <Button onClick={() => change({ ...study, against: [id, rent] })}>As the owned side</Button>
        )}
        {rent !== id && (
          <Button onClick={() => change({ ...study, against: [own, id] })}>Hold it against</Button>
        )}
        {study.variants.length > 1 && <Button onClick={remove}>Take it out</Button>}
      </div>
    </div>
  );
}
