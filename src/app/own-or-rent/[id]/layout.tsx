/** The room of a study: it and its worker stand above its views, and wake together with them. */
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { openedStudy } from '@/app/lib/open-study';
import { StudyRoomOf } from '@/features/own-or-rent/screen/study-room';

interface LayoutProps {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}

export async function generateMetadata({ params }: Pick<LayoutProps, 'params'>): Promise<Metadata> {
  return { title: (await openedStudy((await params).id)).study.title };
}

export default async function StudyLayout({ params, children }: LayoutProps) {
  const { id, study, revision } = await openedStudy((await params).id);
  return (
    <StudyRoomOf key={`${id} ${revision}`} id={id} initial={{ study, revision }}>
      {children}
    </StudyRoomOf>
  );
}
