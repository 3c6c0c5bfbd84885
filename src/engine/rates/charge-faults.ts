/** What must hold inside a charge, whoever entered it: tiers that rise, leave no gap and end. Source: "Charge structures". */
import { assertNever, Decimal, parseDecimal } from '../base';
import type { ChargeText } from './read-charge';

export interface ChargeFault {
  readonly path: string;
  readonly message: string;
}

/**
 * Tiers and bands must rise and leave no gap; the last tier has no end.
 *
 * @example
 * chargeFaults({ structure: 'graduated', tiers: [{ upTo: '100', price: '1' }] }, 'charge').length; // => 1
 */
export function chargeFaults(value: ChargeText, path: string): ChargeFault[] {
  switch (value.structure) {
    case 'graduated':
    case 'volume':
    case 'share-of-spend':
      return [
        ...risingFaults(value.tiers, `${path}.tiers`, 'tiers'),
        ...endFaults(value.tiers, `${path}.tiers`),
      ];
    case 'stepped':
      return risingFaults(value.bands, `${path}.bands`, 'bands');
    case 'greatest-of': {
      const names = value.dimensions.map((each) => each.dimension);
      return names.flatMap((each, index) =>
        names.indexOf(each) === index
          ? []
          : [{ path: `${path}.dimensions[${index}].dimension`, message: `“${each}” stands twice` }],
      );
    }
    case 'per-unit':
    case 'per-block':
    case 'by-parts':
    case 'flat':
      return [];
    default:
      return assertNever(value);
  }
}

interface Step {
  readonly upTo: string | null;
}

function risingFaults(steps: readonly Step[], path: string, what: string): ChargeFault[] {
  const faults: ChargeFault[] = [];
  let from = new Decimal(0);
  steps.forEach(({ upTo }, index) => {
    if (upTo === null) return;
    const read = parseDecimal(upTo);
    // What is no number is refused where it stands.
    if (!read.ok) return;
    const end = read.value;
    if (!end.greaterThan(from)) {
      const message = `${what} must rise without overlap: ${upTo} does not exceed ${from}`;
      faults.push({ path: `${path}[${index}].upTo`, message });
    }
    from = end;
  });
  return faults;
}

function endFaults(tiers: readonly Step[], path: string): ChargeFault[] {
  return tiers.flatMap(({ upTo }, index) => {
    const last = index === tiers.length - 1;
    if (last === (upTo === null)) return [];
    const message = last
      ? 'the last tier must be without an end (null)'
      : 'only the last tier may be without an end';
    return [{ path: `${path}[${index}].upTo`, message }];
  });
}
