/**
 * A design under another load: everything that follows traffic, so many times. What a month of a series does with
 * growth, done once; what follows stock stays. Needs F15, F16, H19.
 */
import { type Decimal } from '../base';
import { allComponents, type Design } from '../design';
import { sure } from '../usage';
import { designOfMonth } from './months';

export function underLoad(design: Design, times: Decimal): Design {
  const { growth: _g, season: _s, campaigns: _c, ...assumptions } = design.assumptions;
  const growth = { traffic: sure(times.minus(1).toString()), stock: sure('0') };
  // Nobody begins or ends: it is the design as it stands, not its second month.
  const standing = {
    ...design,
    assumptions: { ...assumptions, growth },
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components.map(({ months: _m, later: _l, ...component }) => component),
    })),
  };
  const grown = designOfMonth(standing, 1, 'likely');
  const before = new Map(allComponents(design).map((each) => [each.id, each]));
  return {
    ...grown,
    assumptions: design.assumptions,
    sections: grown.sections.map((section) => ({
      ...section,
      components: section.components.map((component) => {
        const { months, later } = before.get(component.id)!;
        return { ...component, ...(months ? { months } : {}), ...(later ? { later } : {}) };
      }),
    })),
  };
}
