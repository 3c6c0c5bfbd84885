/**
 * A design under another load: everything that follows traffic, so many times; what follows stock stays. Needs F15, F16,
 * H19.
 */
import type { Decimal } from '../base';
import type { Design } from '../design';
import { grown } from './months';

export function underLoad(design: Design, times: Decimal): Design {
  if (times.equals(1)) return design;
  const traffic = { label: `${times} times the traffic`, factor: times.toString() };
  return {
    ...design,
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components.map((component) => grown(component, traffic, undefined)),
    })),
  };
}
