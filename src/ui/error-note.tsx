/** What went wrong, where, and what to do; with the list of a file's faults if there is one. */
import { CircleAlert } from 'lucide-react';

export interface FaultLine {
  readonly path: string;
  readonly message: string;
}

interface ErrorNoteProps {
  readonly message: string;
  readonly faults?: readonly FaultLine[];
  readonly more?: number;
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
              <span className="block font-mono text-xs break-all text-soft">{fault.path || 'the file'}</span>
              {fault.message}
            </li>
          ))}
        </ul>
      )}
      {more > 0 && <p className="mt-2 text-soft">and {more} more</p>}
    </div>
  );
}
