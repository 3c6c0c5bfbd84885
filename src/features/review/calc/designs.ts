/** Both sides of an extract as designs: a section for each module, a line for each thing that costs. */
import type { Component, Design, Section } from '@/engine/design';
import type { Assumptions, BookPin } from '@/engine/design';
import type { Agreement } from '@/engine/terms';
import type { Extract, MappedLine, MappedResource, MappedSide } from './extract';
import { coverHeld, type CoveredLines, type HeldCommitment } from './held';
import { loaded, type LoadProfile, type UsedRules } from './load-profile';

type Which = 'before' | 'after';

/** What both sides are priced under. */
export interface ReviewSetting {
  readonly currency: string;
  readonly assumptions: Assumptions;
  readonly books: readonly BookPin[];
  readonly agreements?: readonly Agreement[];
}

export interface ReviewDesigns {
  readonly before: Design;
  readonly after: Design;
  /** Places of the rules of the profile that reached something. */
  readonly used: UsedRules;
  /** Of each commitment that is held. */
  readonly held: Readonly<Record<Which, CoveredLines['uses']>>;
}

/** The root module's section. */
export const ROOT = 'root';
/** The section of what is held already. */
export const HELD = 'held';

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
  const linesOf = (which: Which): Placed[] =>
    extract.resources.flatMap((resource) =>
      costing(resource[which]).map((line) => ({
        module: resource.module,
        component: withLoad(line.component, resource, line.part),
      })),
    );
  const lines = { before: linesOf('before'), after: linesOf('after') };
  const covered = heldOn(lines, profile.held ?? []);
  const sideOf = (which: Which): Design => {
    const { sides, unused } = covered[which];
    const modules = new Map<string, Component[]>();
    for (const { module: name, component } of sides) {
      const components = modules.get(name) ?? [];
      modules.set(name, components);
      components.push(component);
    }
    const sections = [...modules].map(([name, components]): Section => ({
      id: name === '' ? ROOT : name,
      name: name === '' ? 'Root module' : name,
      components,
    }));
    return {
      title: which === 'before' ? 'Before' : 'After',
      description: '',
      currency: setting.currency,
      assumptions: setting.assumptions,
      books: setting.books,
      sections:
        unused.length === 0
          ? sections
          : [...sections, { id: HELD, name: 'Held already', components: unused }],
      ...(setting.agreements && { agreements: setting.agreements }),
    };
  };
  const { before, after } = covered;
  return {
    before: sideOf('before'),
    after: sideOf('after'),
    used,
    held: { before: before.uses, after: after.uses },
  };
}

interface Placed {
  readonly module: string;
  readonly component: Component;
}

interface HeldSide extends Pick<CoveredLines, 'unused' | 'uses'> {
  readonly sides: readonly Placed[];
}

/** What is the same on both sides stays the very same line. */
function heldOn(
  lines: Readonly<Record<Which, readonly Placed[]>>,
  held: readonly HeldCommitment[],
): Record<Which, HeldSide> {
  const whole = (which: Which): HeldSide => ({ sides: lines[which], unused: [], uses: [] });
  if (held.length === 0) return { before: whole('before'), after: whole('after') };
  const ids = (which: Which): Set<string> => new Set(lines[which].map(({ component }) => component.id));
  const [first, last] = [ids('before'), ids('after')];
  const stays = new Set([...first].filter((id) => last.has(id)));
  const made = new Map<string, Component>();
  const once = (component: Component): Component => {
    const key = JSON.stringify(component);
    const known = made.get(key) ?? component;
    made.set(key, known);
    return known;
  };
  const side = (which: Which): HeldSide => {
    const { covered, unused, uses } = coverHeld(
      lines[which].map(({ component }) => component),
      held,
      stays,
    );
    const sides = lines[which].map((line) => {
      const instead = covered.get(line.component.id);
      return instead ? { ...line, component: once(instead) } : line;
    });
    return { sides, unused: unused.map(once), uses };
  };
  return { after: side('after'), before: side('before') };
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
