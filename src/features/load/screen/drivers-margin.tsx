/** What the load is stated by, and what follows it: drivers with their values, and formulas of entries. */
'use client';
import { type Design, designInStep } from '@/engine/design';
import { type Driver, MOST_DRIVERS } from '@/engine/drivers';
import { Button } from '@/platform/ui/button';
import { useRoom } from '@/features/design/screen/room';
import { DriverEntry } from './driver-entry';
import { Following } from './following';

export function DriversMargin() {
  const { state, apply, preview } = useRoom();
  const { design } = state;
  const drivers = design.assumptions.drivers ?? [];
  const put = (next: readonly Driver[]): void =>
    void apply([{ edit: 'set-assumption', field: 'drivers', value: next.length === 0 ? null : next }]);
  const show = (next: readonly Driver[]): void =>
    preview([{ edit: 'set-assumption', field: 'drivers', value: next }]);
  return (
    <div className="space-y-5">
      <section aria-label="Drivers">
        <h2 className="text-lg font-semibold">Drivers</h2>
        <p className="mt-1 text-sm text-soft">
          A few numbers that the load is stated by. Counts, quantities and loads of lines can follow them.
        </p>
        {drivers.map((driver, at) => (
          <DriverEntry
            key={`${at}${driver.name}`}
            driver={driver}
            others={drivers.filter((each) => each !== driver)}
            onChange={(next) => put(drivers.map((each) => (each === driver ? next : each)))}
            onShow={(next) =>
              next ? show(drivers.map((each) => (each === driver ? next : each))) : preview([])
            }
            onRemove={() => put(drivers.filter((each) => each !== driver))}
          />
        ))}
        {drivers.length < MOST_DRIVERS && (
          <Button className="mt-3" onClick={() => put([...drivers, newDriver(design)])}>
            Add a driver
          </Button>
        )}
      </section>
      <Following design={designInStep(design)} drivers={drivers} apply={apply} />
    </div>
  );
}

/** Something that many designs have, and none yet has here. */
function newDriver({ assumptions }: Design): Driver {
  const names = new Set((assumptions.drivers ?? []).map(({ name }) => name));
  const free = USUAL.find(({ name }) => !names.has(name));
  if (free) return free;
  let number = 2;
  while (names.has(`driver${number}`)) number += 1;
  return { ...USUAL[0]!, name: `driver${number}`, title: `Driver ${number}`, unit: '' };
}

const driver = (
  name: string,
  title: string,
  unit: string,
  likely: string,
  from: string,
  to: string,
): Driver => ({
  ...{ name, title, unit, from, to },
  value: { likely },
  scale: 'log',
});

const USUAL: readonly Driver[] = [
  driver('users', 'Users', 'user', '1000', '10', '100000'),
  driver('requests', 'Requests a second', 'request/s', '50', '1', '10000'),
  driver('stored', 'Stored volume', 'GB', '1000', '10', '1000000'),
  driver('sent', 'Transfer out in a month', 'GB', '1000', '10', '1000000'),
  driver('machines', 'Machines', 'machine', '10', '1', '1000'),
  driver('customers', 'Customers', 'customer', '100', '1', '10000'),
];
