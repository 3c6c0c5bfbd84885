/** One machine of the mean size at every place: the quick answer, marked as such. */
'use client';
import { useState } from 'react';
import { writeMoney, writeNumber } from '@/platform/words';
import { Button } from '@/platform/ui/button';
import { useFleet } from '../room-context';
import { useFleetAsked } from '../use-fleet-asked';

export function Average() {
  const { plan, names } = useFleet();
  const [open, setOpen] = useState(false);
  const query = { filter: {}, sort: 'inventory', down: false, placement: null } as const;
  const { answer } = useFleetAsked(open ? { ask: 'average', plan, query } : null);
  return (
    <section aria-label="The average machine">
      <Button tone="bare" aria-expanded={open} onClick={() => setOpen(!open)}>
        The average machine at each place
      </Button>
      {open && answer && (
        <div className="mt-1">
          <p className="text-soft">
            {writeNumber(answer.vcpu)} vCPU and {writeNumber(answer.memory)} GiB as installed, on demand, the
            server alone: quick, and less exact than machine by machine.
          </p>
          <table className="mt-1 text-sm">
            <tbody>
              {answer.rows.map(({ place, becomes, monthly, currency }) => (
                <tr key={`${place.book} ${place.region}`} className="border-b border-line">
                  <th scope="row" className="py-0.5 pr-6 text-left font-normal">
                    {names.book(place.book)} {names.region(place.book, place.region)}
                  </th>
                  <td className="pr-6 text-soft">{becomes ?? 'nothing fits'}</td>
                  <td className="text-right tabular-nums">
                    {monthly ? `${writeMoney(monthly, currency)} ${currency}` : ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
