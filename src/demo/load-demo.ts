/** Loads the demo into a workspace: books through the same import as anyone's, designs under fixed ids. */
import { bringMachines, openFleet, savePlan } from '@/features/fleet/use/fleets';
import { importBook } from '@/features/price-books/use/import-book';
import { importExchange } from '@/features/price-books/use/exchange';
import { proposeStudy } from '@/features/own-or-rent/use/propose-study';
import { refreshTotals } from '@/features/design/use/designs';
import { type Context } from '@/stores/ports';
import { fileOfBytes } from '@/features/fleet/format/inventory-file';
import { machineLines, tidyMachine } from '@/features/fleet/format/machine-schema';
import { readInventory } from '@/features/fleet/format/read-inventory';
import { writeBookJson } from '@/features/price-books/format/stream';
import { DEMO_DESIGNS } from './designs';
import { DEMO_FLEETS, type SheetWriter } from './fleets';
import { DEMO_REVISIONS, type DemoRevision, generatePieces } from './generate-book';
import { DEMO_PROFILES } from './profiles';
import type { ProviderProfile } from './provider-profile';
import { LIVE_MAP_DESIGN } from './bills';
import { loadBills } from './load-bills';
import { loadReviews, type TellReview } from './load-reviews';
import { harbourStudy } from './study';

export function demoDesignId(index: number): string {
  return `00000000-0000-4000-8000-${String(101 + index).padStart(12, '0')}`;
}

export function demoFleetId(index: number): string {
  return `00000000-0000-4000-8000-${String(201 + index).padStart(12, '0')}`;
}

/** The first one of the demo. */
export const DEMO_STUDY_ID = '00000000-0000-4000-8000-000000000301';

/** May run again after it was broken off: what is there already is left as it is. */
export async function loadDemo(context: Context, write: SheetWriter, tell: TellReview): Promise<void> {
  const { workspace } = context.actor;
  const listed = await context.books.list(workspace);
  for (const profile of DEMO_PROFILES) {
    for (const revision of DEMO_REVISIONS) {
      const known = listed.find((book) => book.key === profile.key)?.revisions ?? [];
      if (known.some((each) => each.number === revision.number)) continue;
      await importBook(context, {
        id: context.newId(),
        fileName: `${profile.key}-${revision.number}.json`,
        bytesTotal: null,
        source: bookBytes(profile, revision),
      });
    }
  }
  await importExchange(context, EXCHANGE);
  await loadFleets(context, write);
  await loadStudy(context);
  await loadReviews(context, tell);
  for (const [index, design] of DEMO_DESIGNS.entries()) {
    const id = demoDesignId(index);
    if (await context.designs.find(workspace, id)) continue;
    const at = new Date(context.now().getTime() - index * 60_000);
    await context.designs.create(workspace, id, design, at);
    await refreshTotals(context, id);
  }
  await loadDemoBills(context);
}

/** Also into a demo that was loaded by a version that had no bills or watches yet. */
export async function loadDemoBills(context: Context): Promise<void> {
  const design = demoDesignId(DEMO_DESIGNS.indexOf(LIVE_MAP_DESIGN));
  if (await context.designs.find(context.actor.workspace, design)) await loadBills(context, design);
}

/** Made from the fleet as anyone's is, and then told what only the house knows. */
async function loadStudy(context: Context): Promise<void> {
  const { workspace } = context.actor;
  if (await context.studies.find(workspace, DEMO_STUDY_ID)) return;
  const study = harbourStudy(await proposeStudy(context, demoFleetId(0), '2027-01'));
  await context.studies.create(workspace, DEMO_STUDY_ID, study, context.now());
}

/** Harbour House from its workbook, and a generated estate; both planned with. */
async function loadFleets(context: Context, write: SheetWriter): Promise<void> {
  const { workspace } = context.actor;
  for (const [index, { title, origin, file, plan }] of DEMO_FLEETS.entries()) {
    const id = demoFleetId(index);
    if (await context.fleets.find(workspace, id)) continue;
    const { fleet } = await readInventory(title, [fileOfBytes(origin, await file(write))]);
    const source = new Blob([...machineLines(fleet.machines.map(tidyMachine))]).stream();
    await bringMachines(context, { id, title, origin, source });
    const stored = await openFleet(context, id);
    await savePlan(context, id, { baseRevision: stored.revision, plan: { ...stored.plan, ...plan } });
  }
}

/** The book as a file on its way in. */
export async function* bookBytes(
  profile: ProviderProfile,
  revision: DemoRevision,
  leastRates?: number,
): AsyncGenerator<Uint8Array> {
  const pieces = generatePieces(profile, revision, { leastRates });
  async function* rates() {
    yield* pieces.rates();
  }
  const encoder = new TextEncoder();
  for await (const text of writeBookJson({ ...pieces, rates: rates() })) yield encoder.encode(text);
}

/** Made-up rates of two dates, for the one book that is in euros. */
const EXCHANGE = `date,from,to,rate
2026-05-01,EUR,USD,1.0931
2026-05-01,GBP,USD,1.2874
2026-11-01,EUR,USD,1.1046
2026-11-01,GBP,USD,1.3012
`;
