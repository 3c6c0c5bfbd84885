/** The room of a bill: its name and views stand above whatever is looked at. */
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { context } from '@/app/wiring';
import { openedBill } from '@/app/lib/open-bill';
import { listDesigns } from '@/features/design/use/designs';
import { BillHeadLine } from '@/features/bills/screen/bill-head';
import { periodWords } from '@/features/bills/screen/period-words';

interface LayoutProps {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}

export async function generateMetadata({ params }: Pick<LayoutProps, 'params'>): Promise<Metadata> {
  const { bill } = await openedBill((await params).id);
  return { title: `${bill.provider}, ${periodWords(bill)}` };
}

export default async function BillLayout({ params, children }: LayoutProps) {
  const { bill, design } = await openedBill((await params).id);
  const designs = (await listDesigns(context())).map(({ id, title }) => ({ id, title }));
  return (
    <>
      <BillHeadLine bill={bill} design={design?.id ?? null} designs={designs} />
      {children}
    </>
  );
}
