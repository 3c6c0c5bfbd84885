/** An empty place: what it is for, and the two most useful first acts. */
import type { ReactNode } from 'react';

interface EmptyProps {
  readonly title: string;
  readonly children: ReactNode;
  readonly acts?: ReactNode;
}

export function Empty({ title, children, acts }: EmptyProps) {
  return (
    <div className="mx-auto max-w-[460px] px-6 py-16">
      <h2 className="text-lg font-semibold">{title}</h2>
      <div className="mt-2 text-base text-soft">{children}</div>
      {acts && <div className="mt-5 flex flex-wrap gap-2">{acts}</div>}
    </div>
  );
}
