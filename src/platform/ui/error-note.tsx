/** What went wrong, where, and what to do; with the list of a file's faults if there is one. */
import { CircleAlert } from 'lucide-react';

export interface FaultLine {
  readonly path: string;
  readonly message: string;
  readonly line?: number;
  readonly column?: number;
}

interface ErrorNoteProps {
  readonly message: string;
  readonly faults?: readonly FaultLine[];
  readonly more?: number;
}

/** "line 12, column 9 · rates[3].unit". */
function placeOf({ path, line, column }: FaultLine): string {
  const place = line ? `line ${line}, column ${column ?? 1}` : '';
  return [place, path].filter(Boolean).join(' · ') || 'the file';
}

export function ErrorNote({ message, faults = [], more = 0 }: ErrorNoteProps) {
  return (
    <div role="alert" className="border-y border-ember py-2.5 text-sm">
      <p className="flex gap-2 font-medium text-ember-ink">
        <CircleAlert size={16} className="mt-px shrink-0" aria-hidden="true" />
        <span>{message}</span>
      </p>
      {faults.length > 0 && (
        <ul className="mt-2 space-y-1.5">
          {faults.map((fault, index) => (
            <li key={index}>
              <span className="block font-mono text-xs break-all text-soft">{placeOf(fault)}</span>
              {fault.message}
            </li>
          ))}
        </ul>
      )}
      {more > 0 && <p className="mt-2 text-soft">and {more} more</p>}
    </div>
  );
}
