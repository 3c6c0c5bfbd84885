/** Both sides of an extract as designs: a section for each module, a line for each thing that costs. */
import type { Component, Design, Section } from '../design';
import type { Assumptions, BookPin } from '../design';
import type { Agreement } from '../terms';
import type { Extract, MappedLine, MappedResource, MappedSide } from './extract';
import { loaded, type LoadProfile, type UsedRules } from './load-profile';

/** What both sides are priced under. */
export interface ReviewSetting {
  readonly currency: string;
  readonly assumptions: Assumptions;
  readonly books: readonly BookPin[];
  readonly agreements?: readonly Agreement[];
  /** Held already, so that they count on both sides: commitments of money, prepaid credit. */
  readonly held?: readonly Component[];
}

export interface ReviewDesigns {
  readonly before: Design;
  readonly after: Design;
  /** Places of the rules of the profile that reached something. */
  readonly used: UsedRules;
}

/** The root module's section. */
export const ROOT = 'root';
/** The section of what is held already. */
export const HELD = 'held';

type Which = 'before' | 'after';

/**
 * What did not change is the very same line on both sides, so that it is priced once.
 *
 * @example
 * designsOf({ form: 'plan', map: '', resources: [], remarks: [] }, { title: '', loads: [] }, setting).after.sections; // => []
 */
export function designsOf(extract: Extract, profile: LoadProfile, setting: ReviewSetting): ReviewDesigns {
  const used: UsedRules = new Set();
  const loads = new Map<Component, Component>();
  const withLoad = (component: Component, resource: MappedResource, part: string | null): Component => {
    const known = loads.get(component);
    if (known) return known;
    const made =
      profile.loads.length === 0 ? component : loaded(component, resource.address, part, profile, used);
    loads.set(component, made);
    return made;
  };
  const sideOf = (which: Which): Design => {
    const modules = new Map<string, Component[]>();
    for (const resource of extract.resources)
      for (const line of costing(resource[which])) {
        const components = modules.get(resource.module) ?? [];
        modules.set(resource.module, components);
        components.push(withLoad(line.component, resource, line.part));
      }
    const sections = [...modules].map(([module, components]): Section => ({
      id: module === '' ? ROOT : module,
      name: module === '' ? 'Root module' : module,
      components,
    }));
    const { held = [] } = setting;
    return {
      title: which === 'before' ? 'Before' : 'After',
      description: '',
      currency: setting.currency,
      assumptions: setting.assumptions,
      books: setting.books,
      sections:
        held.length === 0 ? sections : [...sections, { id: HELD, name: 'Held already', components: held }],
      ...(setting.agreements && { agreements: setting.agreements }),
    };
  };
  return { before: sideOf('before'), after: sideOf('after'), used };
}

type Costing = Extract_<MappedLine, 'line'>;
type Extract_<T, K> = T extends { readonly is: K } ? T : never;

/**
 * Lines that it is known of what they are.
 *
 * @example
 * costing({ is: 'no-rule' }); // => []
 */
export function costing(side: MappedSide | null): readonly Costing[] {
  if (side?.is !== 'lines') return [];
  return side.lines.filter((line): line is Costing => line.is === 'line');
}
