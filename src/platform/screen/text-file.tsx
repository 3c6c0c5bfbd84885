/** A file of the team as text: typed or brought in, refused with line and column, saved as its next revision. */
'use client';
import { type ReactNode, useRef, useState } from 'react';
import type { TeamFile, TeamFileKind } from '@/features/review/use/review-ports';
import { Button } from '@/platform/ui/button';
import { ErrorNote } from '@/platform/ui/error-note';
import { Field } from '@/platform/ui/field';
import { ApiError, callApi } from './call-api';
import { saveText } from './save-text';
import { writeWhen } from './time';

interface TextFileProps {
  readonly kind: TeamFileKind;
  readonly name: string;
  readonly label: string;
  readonly initial: { readonly text: string; readonly revision: number };
  readonly onSaved: (revision: number, text: string) => void;
  /** What it would do, before it is saved. */
  readonly onTry?: (text: string) => void;
  readonly children?: ReactNode;
}

export function TextFile({ kind, name, label, initial, onSaved, onTry, children }: TextFileProps) {
  const [text, setText] = useState(initial.text);
  const [trouble, setTrouble] = useState<ApiError | null>(null);
  const [isSaving, setSaving] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const save = async (): Promise<void> => {
    setSaving(true);
    setTrouble(null);
    try {
      const { revision } = await callApi<{ revision: number }>(`/api/team-files/${kind}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name, baseRevision: initial.revision, text }),
      });
      onSaved(revision, text);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error : new ApiError('That did not work. Try again.'));
    }
    setSaving(false);
  };
  return (
    <div className="mt-2">
      <Field label={label}>
        {({ className: _, ...field }) => (
          <textarea
            {...field}
            value={text}
            spellCheck={false}
            rows={Math.min(26, Math.max(10, text.split('\n').length + 1))}
            onChange={(event) => setText(event.target.value)}
            className="w-full rounded border border-edge bg-surface p-2 font-mono text-xs leading-[17px] whitespace-pre text-ink aria-invalid:border-ember"
          />
        )}
      </Field>
      {trouble && (
        <div className="mt-2">
          <ErrorNote message={trouble.message} faults={trouble.faults} more={trouble.more} />
        </div>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button tone="strong" disabled={isSaving} onClick={() => void save()}>
          Save
        </Button>
        {onTry && <Button onClick={() => onTry(text)}>Try</Button>}
        <Button onClick={() => file.current?.click()}>Bring in a file</Button>
        <input
          ref={file}
          type="file"
          accept=".yaml,.yml"
          aria-label={`${label}, from a file`}
          className="hidden"
          onChange={(event) => {
            void event.target.files?.[0]?.text().then(setText);
            event.target.value = '';
          }}
        />
        {text.trim() !== '' && (
          <Button onClick={() => saveText(text, `${name}.yaml`, 'application/yaml')}>Save as a file</Button>
        )}
        {initial.revision > 0 && <Revisions kind={kind} name={name} onTake={setText} />}
        {children}
      </div>
    </div>
  );
}

interface RevisionsProps {
  readonly kind: TeamFileKind;
  readonly name: string;
  readonly onTake: (text: string) => void;
}

/** Taken into the text, and saved only when that is wished. */
function Revisions({ kind, name, onTake }: RevisionsProps) {
  const [all, setAll] = useState<readonly TeamFile[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const look = (): void => {
    callApi<TeamFile[]>(`/api/team-files/${kind}/history?name=${encodeURIComponent(name)}`).then(
      setAll,
      (error: Error) => setTrouble(error.message),
    );
  };
  if (trouble) {
    return (
      <span role="alert" className="text-sm text-ember-ink">
        {trouble}
      </span>
    );
  }
  if (!all) return <Button onClick={look}>Earlier ones</Button>;
  return (
    <select
      aria-label="Earlier revisions"
      defaultValue=""
      onChange={(event) => {
        const found = all.find(({ revision }) => String(revision) === event.target.value);
        if (found) onTake(found.text);
      }}
      className="h-7 rounded border border-edge bg-surface px-2 text-sm"
    >
      <option value="">Take an earlier one …</option>
      {all.map(({ revision, at }) => (
        <option key={revision} value={revision}>
          {`revision ${revision}, ${writeWhen(at)}`}
        </option>
      ))}
    </select>
  );
}
