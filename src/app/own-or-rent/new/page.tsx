import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listDesigns } from '@/features/design/use/designs';
import { listFleets } from '@/features/fleet/use/fleets';
import { NewStudyScreen } from '@/features/own-or-rent/screen/new/new-study-screen';

export const metadata: Metadata = { title: 'New study' };

export default async function NewStudyPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ how?: string; fleet?: string }>;
}) {
  const [fleets, designs, { how, fleet }] = await Promise.all([
    listFleets(context()),
    listDesigns(context()),
    searchParams,
  ]);
  return (
    <NewStudyScreen
      fleets={fleets.map(({ id, title, machines, placements }) => ({ id, title, machines, placements }))}
      designs={designs.map(({ id, title, components }) => ({ id, title, components }))}
      isTyped={how === 'totals'}
      fleet={typeof fleet === 'string' ? fleet : null}
    />
  );
}
