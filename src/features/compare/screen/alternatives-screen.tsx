/** Alternatives as a view of the design: sides that somebody made, or a whole axis priced at once, as the address says. */
'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { AXES } from '@/features/compare/calc/axes';
import { DesignBody } from '@/features/design/screen/design-body';
import { useRoom } from '@/features/design/screen/room';
import { AlternativeList } from './alternative-list';
import { AxisView } from './axis-view';
import { SideBySide } from './side-by-side';
import { WaysToCompare } from './ways-to-compare';

export function AlternativesScreen() {
  const router = useRouter();
  const { id } = useRoom();
  const asked = useSearchParams();
  const axis = AXES.find((each) => each === asked.get('axis'));
  if (!axis) return <SideBySide />;
  const of = asked.get('of') ?? 'all';
  return (
    <DesignBody margin={<AlternativeList />}>
      <div className="flex min-w-0 flex-1 flex-col">
        <WaysToCompare id={id} here={axis} of={of} />
        <AxisView
          {...{ axis, of }}
          onOf={(next) =>
            router.replace(`/designs/${id}/alternatives?${new URLSearchParams({ axis, of: next })}`)
          }
        />
      </div>
    </DesignBody>
  );
}
