/** A resource map as text: written or brought in, tried when it is saved, with its earlier revisions. */
'use client';
import { useState } from 'react';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { TextFile } from '@/platform/screen/text-file';

export interface OpenMap {
  readonly name: string;
  readonly baseRevision: number;
  readonly text: string;
}

interface MapEditorProps {
  readonly open: OpenMap;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

export function MapEditor({ open, onClose, onSaved }: MapEditorProps) {
  const [name, setName] = useState(open.name);
  return (
    <section aria-label="A resource map" className="mt-4 max-w-[900px] border-t border-ink pt-3">
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-[240px]">
          <Field label="What it is called">
            {(field) => (
              <input
                {...field}
                value={name}
                maxLength={80}
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Field>
        </div>
      </div>
      <TextFile
        kind="map"
        name={name}
        label="Its rules, as YAML"
        initial={{ text: open.text, revision: name === open.name ? open.baseRevision : 0 }}
        onSaved={() => {
          tell(`The map “${name}” was saved.`);
          onSaved();
        }}
      >
        <Button tone="bare" onClick={onClose}>
          Close
        </Button>
      </TextFile>
    </section>
  );
}
