/** A report that is being worked out: looks again until it is there. */
'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState, useTransition } from 'react';
import { Empty } from '@/platform/ui/empty';

const LOOK = 1000;

export function NotYet() {
  const router = useRouter();
  const [seconds, setSeconds] = useState(0);
  const [isLooking, startLooking] = useTransition();
  // On a slow machine a look takes longer than the pause: the next one waits for it, so that none pile up.
  const look = useEffectEvent(() => {
    if (!isLooking) startLooking(() => router.refresh());
  });
  useEffect(() => {
    const timer = setInterval(() => {
      setSeconds((before) => before + 1);
      look();
    }, LOOK);
    return () => clearInterval(timer);
  }, []);
  return (
    <Empty title="This report is being worked out">
      It is a long one. It is shown here as soon as it is there{seconds > 0 && `; ${seconds} s so far`}.
    </Empty>
  );
}
