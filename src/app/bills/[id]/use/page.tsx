import { openedBill } from '@/app/lib/open-bill';
import { UseScreen } from '@/screens/bills/use-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return <UseScreen view={await openedBill((await params).id)} />;
}
