import Link from 'next/link';
import { Empty } from '@/platform/ui/empty';

export default function NotFound() {
  return (
    <Empty
      title="This page is not here"
      acts={
        <Link href="/designs" className="text-base font-medium text-brand underline">
          To the designs
        </Link>
      }
    >
      It may have been deleted, or the address is wrong.
    </Empty>
  );
}
