/** The head of a list: its name, what can be done with it, and the hidden field through which a file comes in. */
'use client';
import type { ReactNode, RefObject } from 'react';

interface PageHeadProps {
  readonly title: string;
  readonly fileLabel: string;
  readonly accept?: string;
  readonly file: RefObject<HTMLInputElement | null>;
  readonly onFile: (file: File | undefined) => void;
  readonly children: ReactNode;
}

export function PageHead({
  title,
  fileLabel,
  accept = '.json,application/json',
  file,
  onFile,
  children,
}: PageHeadProps) {
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-2 border-b border-line px-[18px]">
      <h1 className="mr-auto text-lg font-semibold">{title}</h1>
      {children}
      <input
        ref={file}
        type="file"
        accept={accept}
        aria-label={fileLabel}
        className="hidden"
        onChange={(event) => {
          onFile(event.target.files?.[0]);
          // The same file may be chosen again after it was put right.
          event.target.value = '';
        }}
      />
    </div>
  );
}
