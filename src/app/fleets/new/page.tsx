import type { Metadata } from 'next';
import { Suspense } from 'react';
import { BringScreen } from '@/features/fleet/screen/bring/bring-screen';

export const metadata: Metadata = { title: 'Bring in a fleet' };

export default function BringPage() {
  return (
    <Suspense>
      <BringScreen again={null} />
    </Suspense>
  );
}
