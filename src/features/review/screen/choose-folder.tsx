/** A button that opens a folder of the computer; only configuration in it is looked at. */
'use client';
import { useRef } from 'react';
import { isConfiguration } from '@/features/review/format/plan/configuration-folder';
import { Button } from '@/platform/ui/button';
import type { PlanFile } from '@/features/review/worker/review-protocol';

interface ChooseFolderProps {
  readonly label: string;
  readonly onFiles: (files: readonly PlanFile[]) => void;
}

export function ChooseFolder({ label, onFiles }: ChooseFolderProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>{label}</Button>
      <input
        ref={(element) => {
          input.current = element;
          element?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        multiple
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])].map((file) => ({ path: withinFolder(file), file }));
          const wanted = files.filter(({ path }) => isConfiguration(path) && !/(^|\/)\./.test(path));
          onFiles(wanted.length > 0 ? wanted : files.slice(0, 1));
          event.target.value = '';
        }}
      />
    </>
  );
}

/** Without the folder's own name. */
const withinFolder = ({ webkitRelativePath, name }: File): string =>
  webkitRelativePath.split('/').slice(1).join('/') || name;
