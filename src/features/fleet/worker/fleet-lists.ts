/** The machines of the open fleet: found, sorted, counted, and drawn as pictures. */
import { addAll, ZERO } from '@/engine/base';
import {
  isMeasured,
  type Machine,
  licenceTextsOf,
  matcherOf,
  overlapOf,
  READINESS_CODES,
  type ReadinessCode,
  type FleetPlan,
  systemTexts,
} from '@/features/fleet/calc';
import type { PlacedAll } from './fleet-one';
import type { MachineQuery, MachineRow, MachineTally, MoneyPicture, ValuesAnswer } from './fleet-protocol';

/** What the plan says of the machines, worked out once for each. */
export interface Looked {
  readonly plan: FleetPlan;
  readonly readinessOf: (machine: Machine) => readonly ReadinessCode[];
}

const BARS = 120;
const VALUES = 500;

export class FleetLists {
  private found: {
    readonly key: string;
    readonly readinessOf: Looked['readinessOf'];
    readonly placed: PlacedAll | null;
    readonly machines: Machine[];
  } | null = null;

  constructor(private readonly machines: readonly Machine[]) {}

  /** In the order that is asked for. */
  matching(query: MachineQuery, looked: Looked, placed: PlacedAll | null): Machine[] {
    const key = JSON.stringify(query);
    const { found } = this;
    if (found?.key === key && found.readinessOf === looked.readinessOf && found.placed === placed)
      return found.machines;
    const lets = matcherOf(query.filter, looked.readinessOf);
    const machines = this.machines.filter(lets);
    sortMachines(machines, query, placed);
    this.found = { key, readinessOf: looked.readinessOf, placed, machines };
    return machines;
  }

  rows(
    machines: readonly Machine[],
    from: number,
    count: number,
    looked: Looked,
    placed: PlacedAll | null,
  ): MachineRow[] {
    return machines.slice(from, from + count).map((machine) => {
      const found = placed?.of.get(machine.id);
      return {
        machine,
        ready: looked.readinessOf(machine),
        placed: found
          ? { becomes: found.offer, printed: found.printed?.toString() ?? null, unfit: found.unfit }
          : null,
      };
    });
  }

  tally(machines: readonly Machine[], placed: PlacedAll | null): MachineTally {
    const sum = (read: (machine: Machine) => number): number =>
      machines.reduce((all, machine) => all + read(machine), 0);
    const priced = placed ? machines.map(({ id }) => placed.of.get(id)?.printed ?? null) : [];
    const amounts = priced.filter((amount) => amount !== null);
    const left = placed ? machines.filter(({ id }) => !placed.of.has(id)).length : 0;
    const used = (share: 'peakCpu' | 'peakMemory', of: 'vcpu' | 'memory'): number | null => {
      const known = machines.filter((machine) => machine[share] !== null);
      const all = known.reduce((total, machine) => total + machine[of].value, 0);
      return all > 0
        ? known.reduce((total, machine) => total + machine[of].value * machine[share]!.value, 0) / all
        : null;
    };
    return {
      machines: machines.length,
      vcpu: sum(({ vcpu }) => vcpu.value),
      memory: sum(({ memory }) => memory.value),
      storage: sum(({ storage, stored }) => (storage ?? stored)?.value ?? 0),
      measured: machines.filter(isMeasured).length,
      printed: placed ? addAll(amounts).toString() : null,
      without: placed ? machines.length - amounts.length - left : 0,
      left,
      usedCpu: used('peakCpu', 'vcpu'),
      usedMemory: used('peakMemory', 'memory'),
    };
  }

  values({ plan, readinessOf }: Looked): Omit<ValuesAnswer, 'products'> {
    const counted = (read: (machine: Machine) => readonly string[]): [string, number][] => {
      const counts = new Map<string, number>();
      for (const machine of this.machines)
        for (const value of read(machine)) counts.set(value, (counts.get(value) ?? 0) + 1);
      return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).slice(0, VALUES);
    };
    const codes = new Map(
      counted((machine) => {
        const found = readinessOf(machine);
        return found.length > 0 ? found : ['ready'];
      }),
    );
    const members = new Map(
      plan.groups.map(({ id, filter }) => {
        const lets = matcherOf(filter, readinessOf);
        return [id, new Set(this.machines.filter(lets).map((machine) => machine.id))] as const;
      }),
    );
    const overlap = overlapOf(this.machines, members);
    return {
      host: counted(({ host }) => [host]),
      cluster: counted(({ cluster }) => [cluster]),
      environment: counted(({ environment }) => [environment]),
      tags: counted(({ tags }) => tags),
      systems: systemTexts(this.machines, plan.systems),
      licences: licenceTextsOf(this.machines, plan.licences ?? {}),
      ready: (['ready', ...READINESS_CODES] as const).map((code) => [code, codes.get(code) ?? 0]),
      groups: {
        counts: [...overlap.counts],
        union: overlap.union,
        twice: overlap.twice,
        inNone: overlap.inNone,
      },
    };
  }

  money(machines: readonly Machine[], placed: PlacedAll): MoneyPicture {
    const priced = machines
      .flatMap((machine, at) => {
        const found = placed.of.get(machine.id);
        return found?.printed ? [{ at, machine, printed: found.printed, becomes: found.offer ?? '' }] : [];
      })
      .sort((a, b) => b.printed.comparedTo(a.printed) || a.at - b.at);
    const total = addAll(priced.map(({ printed }) => printed));
    let [upTo, half] = [ZERO, 0];
    const shares = priced.map(({ printed }, at) => {
      upTo = upTo.plus(printed);
      if (half === 0 && upTo.times(2).greaterThanOrEqualTo(total)) half = at + 1;
      return total.isZero() ? 0 : upTo.dividedBy(total).toNumber();
    });
    return {
      currency: placed.currency,
      total: total.toString(),
      mean: priced.length === 0 ? '0' : total.dividedBy(priced.length).toString(),
      bars: priced.slice(0, BARS).map(({ at, machine, printed, becomes }, index) => ({
        at,
        name: machine.name,
        becomes,
        printed: printed.toString(),
        upTo: shares[index]!,
      })),
      machines: priced.length,
      half,
    };
  }
}

function sortMachines(machines: Machine[], { sort, down }: MachineQuery, placed: PlacedAll | null): void {
  if (sort === 'inventory') {
    if (down) machines.reverse();
    return;
  }
  const sign = down ? -1 : 1;
  if (sort === 'name') {
    const collator = new Intl.Collator('en', { numeric: true });
    machines.sort((a, b) => sign * collator.compare(a.name, b.name));
    return;
  }
  const read = (machine: Machine): number => {
    if (sort === 'amount') return placed?.of.get(machine.id)?.printed?.toNumber() ?? NaN;
    if (sort === 'installed') return machine.vcpu.value * machine.memory.value;
    return machine[sort]?.value ?? NaN;
  };
  const values = new Map(machines.map((machine) => [machine, read(machine)]));
  // What is not known stands last, whichever way.
  machines.sort((a, b) => {
    const [x, y] = [values.get(a)!, values.get(b)!];
    if (Number.isNaN(x) || Number.isNaN(y)) return Number(Number.isNaN(x)) - Number(Number.isNaN(y));
    return sign * (x - y);
  });
}
