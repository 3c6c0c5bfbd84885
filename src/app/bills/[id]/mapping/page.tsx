import { context } from '@/app/wiring';
import { openedBill } from '@/app/lib/open-bill';
import { listTeamFiles } from '@/features/review/use/team-files';
import { MappingScreen } from '@/features/bills/screen/mapping-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const view = await openedBill((await params).id);
  const files = view.design ? await listTeamFiles(context(), 'bill-rules') : [];
  const file = files.find(({ name }) => name === view.design?.id);
  return (
    <MappingScreen key={`${view.design?.id} ${view.rulesRevision}`} view={view} text={file?.text ?? ''} />
  );
}
