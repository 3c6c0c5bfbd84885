/** Says in the top line that an import goes on while one works elsewhere. */
'use client';
import Link from 'next/link';
import { percentOf, useImports } from './import-store';

export function ImportNote() {
  const { uploading } = useImports();
  if (!uploading) return null;
  return (
    <Link
      href={uploading.kind.place}
      className="text-sm whitespace-nowrap text-soft tabular-nums"
      title={`Bringing in ${uploading.name}`}
    >
      Bringing in {uploading.kind.title}, {percentOf(uploading)} %
    </Link>
  );
}
