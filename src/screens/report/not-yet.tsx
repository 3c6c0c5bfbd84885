/** A report that is being worked out: looks again until it is there. */
'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Empty } from '@/ui/empty';

const LOOK = 1000;

export function NotYet() {
  const router = useRouter();
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => {
      setSeconds((before) => before + 1);
      router.refresh();
    }, LOOK);
    return () => clearInterval(timer);
  }, [router]);
  return (
    <Empty title="This report is being worked out">
      It is a long one. It is shown here as soon as it is there{seconds > 0 && `; ${seconds} s so far`}.
    </Empty>
  );
}
