/** A button that opens the computer's files, with the name of what was chosen. */
'use client';
import { useRef } from 'react';
import { Button } from '@/platform/ui/button';

interface ChooseFileProps {
  readonly label: string;
  readonly accept: string;
  readonly chosen?: string | null;
  readonly strong?: boolean;
  readonly onFile: (file: File) => void;
}

export function ChooseFile({ label, accept, chosen = null, strong = false, onFile }: ChooseFileProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <span className="inline-flex min-w-0 items-center gap-2">
      <Button tone={strong ? 'strong' : 'quiet'} onClick={() => input.current?.click()}>
        {label}
      </Button>
      {chosen && <span className="min-w-0 truncate text-sm text-soft">{chosen}</span>}
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          // The same file may be chosen again after it was put right.
          event.target.value = '';
        }}
      />
    </span>
  );
}
