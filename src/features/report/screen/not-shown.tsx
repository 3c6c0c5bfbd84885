/** A report that is there and cannot be shown just now. */
'use client';
import { useRouter } from 'next/navigation';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';

export function NotShown({ children }: { readonly children: string }) {
  const router = useRouter();
  return (
    <Empty
      title="This report cannot be shown now"
      acts={<Button onClick={() => router.refresh()}>Try again</Button>}
    >
      {children}
    </Empty>
  );
}
