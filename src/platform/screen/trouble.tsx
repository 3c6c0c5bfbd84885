/** What went wrong with a question, and the way to ask it again. */
import { Button } from '@/platform/ui/button';

interface TroubleProps {
  readonly trouble: string | null;
  readonly again: () => void;
}

export function Trouble({ trouble, again }: TroubleProps) {
  if (!trouble) return null;
  return (
    <p role="alert" className="px-[18px] py-3 text-sm text-ember-ink">
      {trouble}{' '}
      <Button tone="bare" onClick={again}>
        Try again
      </Button>
    </p>
  );
}
