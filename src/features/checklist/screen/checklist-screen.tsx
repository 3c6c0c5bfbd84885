/** The checklist as a view of the design, with the whole design in the margin. */
'use client';
import { useRouter } from 'next/navigation';
import { DesignBody } from '@/features/design/screen/design-body';
import { DesignMargin } from '@/features/design/screen/margin/design-margin';
import { useRoom } from '@/features/design/screen/room';
import { placeAt } from '@/features/design/screen/use-cursor';
import { Checklist } from './checklist';
import { useFindings } from './use-findings';

export function ChecklistScreen() {
  const router = useRouter();
  const { id, initial, state, client, pricing, bookList, apply, setPlace } = useRoom();
  const { design } = state;
  const { summary, version } = pricing;
  const findings = useFindings(client, design);
  return (
    <DesignBody
      margin={
        <DesignMargin
          {...{ id, design, client, version, summary, bookList, apply }}
          before={initial.before}
        />
      }
    >
      <Checklist
        {...findings}
        {...{ summary, design, apply }}
        onShow={(component) => {
          setPlace(() => placeAt({ row: component, column: 'name' }));
          router.push(`/designs/${id}`);
        }}
      />
    </DesignBody>
  );
}
