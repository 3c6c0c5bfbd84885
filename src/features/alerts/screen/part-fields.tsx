/** Of which part of the bill: the whole, a section, a line, a meter, what is included, or a tag. */
'use client';
import type { WatchOf } from '@/features/alerts/calc';
import type { WatchChoices } from '@/features/alerts/use/watch-choices';
import { Choice, Field } from '@/platform/ui/field';

interface PartFieldsProps {
  readonly of: WatchOf;
  readonly choices: WatchChoices | undefined;
  readonly onChange: (of: WatchOf) => void;
}

export const PARTS = {
  whole: 'the whole bill',
  section: 'a section of the design',
  component: 'a line of the design',
  meter: 'a meter of a line',
  allowance: 'what is included of a meter',
  tag: 'a tag',
} as const;

/** The first of its kind; null: there is none. */
function firstOf(what: WatchOf['what'], choices: WatchChoices | undefined): WatchOf | null {
  const component = choices?.components[0];
  switch (what) {
    case 'whole':
      return { what };
    case 'section':
      return choices?.sections[0] ? { what, section: choices.sections[0].id } : null;
    case 'component':
      return component ? { what, component: component.id } : null;
    case 'meter': {
      const found = choices?.components.find(({ meters }) => meters.length > 0);
      return found ? { what, component: found.id, meter: found.meters[0]!.meter } : null;
    }
    case 'allowance': {
      const [found] = choices?.allowances ?? [];
      return found ? { what, component: found.component, meter: found.meter } : null;
    }
    case 'tag': {
      const [found] = choices?.tags ?? [];
      return { what, key: found?.key ?? '', value: found?.values[0] ?? '' };
    }
  }
}

export function PartFields({ of, choices, onChange }: PartFieldsProps) {
  const possible = (Object.keys(PARTS) as WatchOf['what'][]).filter(
    (what) => what === of.what || firstOf(what, choices) !== null,
  );
  return (
    <>
      <Choice
        label="Of"
        value={of.what}
        options={possible.map((what): [WatchOf['what'], string] => [what, PARTS[what]])}
        onChange={(what) => onChange(firstOf(what, choices) ?? { what: 'whole' })}
      />
      <Which {...{ of, choices, onChange }} />
    </>
  );
}

function Which({ of, choices, onChange }: PartFieldsProps) {
  const named = (all: readonly { readonly id: string; readonly name: string }[]): [string, string][] =>
    all.map(({ id, name }) => [id, name]);
  switch (of.what) {
    case 'whole':
      return null;
    case 'section':
      return (
        <Choice
          label="Section"
          value={of.section}
          options={named(choices?.sections ?? [])}
          onChange={(section) => onChange({ ...of, section })}
        />
      );
    case 'component':
      return (
        <Choice
          label="Line"
          value={of.component}
          options={named(choices?.components ?? [])}
          onChange={(component) => onChange({ ...of, component })}
        />
      );
    case 'meter': {
      const lines = (choices?.components ?? []).filter(({ meters }) => meters.length > 0);
      return (
        <Choice
          label="Meter"
          value={`${of.component} ${of.meter}`}
          options={lines.flatMap(({ id, name, meters }) =>
            meters.map(({ meter, label }): [string, string] => [`${id} ${meter}`, `${name}: ${label}`]),
          )}
          onChange={(chosen) => {
            const [component, meter] = chosen.split(' ') as [string, string];
            onChange({ ...of, component, meter });
          }}
        />
      );
    }
    case 'allowance':
      return (
        <Choice
          label="Included"
          value={`${of.component} ${of.meter}`}
          options={(choices?.allowances ?? []).map(({ component, meter, label }): [string, string] => [
            `${component} ${meter}`,
            label,
          ])}
          onChange={(chosen) => {
            const [component, meter] = chosen.split(' ') as [string, string];
            onChange({ ...of, component, meter });
          }}
        />
      );
    case 'tag': {
      const values = choices?.tags.find(({ key }) => key === of.key)?.values ?? [];
      return (
        <div className="grid grid-cols-2 gap-3">
          <Field label="Tag">
            {(field) => (
              <input
                {...field}
                list="watch-tag-keys"
                value={of.key}
                maxLength={200}
                onChange={(event) => onChange({ ...of, key: event.target.value })}
              />
            )}
          </Field>
          <Field label="Is">
            {(field) => (
              <input
                {...field}
                list="watch-tag-values"
                value={of.value}
                maxLength={500}
                onChange={(event) => onChange({ ...of, value: event.target.value })}
              />
            )}
          </Field>
          <datalist id="watch-tag-keys">
            {choices?.tags.map(({ key }) => (
              <option key={key} value={key} />
            ))}
          </datalist>
          <datalist id="watch-tag-values">
            {values.map((value) => (
              <option key={value} value={value} />
            ))}
          </datalist>
        </div>
      );
    }
  }
}
