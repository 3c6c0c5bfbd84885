/** That something is being worked out: how far it is, and the way to call it off. */
'use client';
import { writeNumber } from '@/platform/words';
import { Button } from '@/platform/ui/button';
import type { Progress } from './use-asked-of';

interface WorkingProps {
  readonly progress: Progress | null;
  readonly words?: string;
  readonly onStop?: () => void;
}

export function Working({ progress, words = 'Working it out', onStop }: WorkingProps) {
  const { done, steps } = progress ?? { done: 0, steps: 0 };
  const number = (value: number): string => writeNumber(String(value));
  return (
    <div role="status" className="flex items-center gap-3 text-sm text-soft">
      <span>
        {progress?.words ?? words}
        {steps > 0 && ` · ${number(done)} of ${number(steps)}`} …
      </span>
      {steps > 0 && (
        <span aria-hidden="true" className="h-1 w-32 bg-wash">
          <span className="block h-1 bg-brand" style={{ width: `${Math.round((done / steps) * 100)}%` }} />
        </span>
      )}
      {onStop && (
        <Button tone="bare" onClick={onStop}>
          Stop
        </Button>
      )}
    </div>
  );
}
