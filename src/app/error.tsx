/** What a page shows when it could not be made. */
'use client';
import { Button } from '@/ui/button';
import { Empty } from '@/ui/empty';

export default function ErrorPage({ reset }: { readonly reset: () => void }) {
  return (
    <Empty title="This page could not be shown" acts={<Button onClick={reset}>Try again</Button>}>
      The server or its database did not answer. Nothing that was saved is lost.
    </Empty>
  );
}
