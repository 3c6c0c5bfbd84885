/** What a page shows when it could not be made. */
'use client';
import { useRouter } from 'next/navigation';
import { startTransition } from 'react';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';

export default function ErrorPage({ reset }: { readonly reset: () => void }) {
  const router = useRouter();
  // The page failed on the server, so it is asked for again; by itself `reset` would show the same once more.
  const again = (): void =>
    startTransition(() => {
      router.refresh();
      reset();
    });
  return (
    <Empty title="This page could not be shown" acts={<Button onClick={again}>Try again</Button>}>
      The server or its database did not answer. Nothing that was saved is lost.
    </Empty>
  );
}
