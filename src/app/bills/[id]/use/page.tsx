import { openedBill } from '@/app/lib/open-bill';
import { UseScreen } from '@/features/bills/screen/use-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return <UseScreen view={await openedBill((await params).id)} />;
}
